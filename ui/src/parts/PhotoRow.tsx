import { Button } from "./Button";
import { Camera } from "lucide-react";
import { type ChangeEvent, useState } from "react";
import { photoAt } from "../client/api";
import { fileButton } from "./fileButton";
import { TroubleNote } from "./Trouble";
import { newKey } from "../client/key";

export interface Chosen {
  photo: Blob;
  key: string; // under which it is kept once, however often it is sent
}

interface Props {
  photos: { id: string; name: string }[];
  ask: string; // on the button
  send: (one: Chosen, kept: () => void) => void;
  sending: boolean;
  failed: Error | null;
  takeOff: (id: string, off: () => void) => void;
  bringBack: (id: string) => void;
  trouble: Error | null; // of taking off and bringing back
}

/** Photos in a row: taken, looked at, taken off and brought back. */
export function PhotoRow({ photos, ask, send, sending, failed, takeOff, bringBack, trouble }: Props) {
  const [chosen, choose] = useState<Chosen | null>(null);
  const [off, setOff] = useState<string | null>(null); // the one that was taken off last
  const keep = (one: Chosen) => {
    choose(one);
    setOff(null);
    send(one, () => choose(null));
  };
  const pick = (e: ChangeEvent<HTMLInputElement>) => {
    const photo = e.target.files?.[0];
    e.target.value = ""; // so that the same file can be chosen again
    if (photo) keep({ photo, key: newKey() });
  };
  return (
    <section aria-label="Photos" className="py-2">
      <div className="flex flex-wrap items-center gap-3">
        {photos.map((p) => (
          <figure key={p.id} data-photo={p.id} className="w-32">
            <a href={photoAt(p.id)} target="_blank" rel="noreferrer">
              <img src={photoAt(p.id, true)} alt={p.name} className="h-24 w-32 rounded-tray border-2 border-rule object-cover" />
            </a>
            <figcaption className="text-sm text-soft">
              {p.name}
              <button
                type="button"
                onClick={() => takeOff(p.id, () => setOff(p.id))}
                className="block min-h-6 font-semibold text-rim underline"
              >
                Remove photo
              </button>
            </figcaption>
          </figure>
        ))}
        <label className={`min-h-12 px-4 ${fileButton}`}>
          <Camera size={20} aria-hidden="true" />
          {sending ? "Keeping the photo …" : ask}
          <input type="file" accept="image/jpeg,image/png,image/webp" disabled={sending} onChange={pick} className="sr-only" />
        </label>
      </div>
      {off !== null && !photos.some((p) => p.id === off) && (
        <p role="status" className="mt-1">
          The photo is taken off.{" "}
          <button type="button" onClick={() => bringBack(off)} className="min-h-8 font-semibold text-rim underline">
            Restore
          </button>
        </p>
      )}
      {failed && chosen && (
        <div className="mt-1">
          <TroubleNote error={failed} />
          <Button onClick={() => keep(chosen)} look="text">
            Send it again
          </Button>
        </div>
      )}
      <TroubleNote error={trouble} />
    </section>
  );
}
