import { Camera } from "lucide-react";
import { type ChangeEvent, useState } from "react";
import { photoAt } from "../client/api";
import { useSendPhoto, useTellBake } from "../client/queries";
import type { BakeView } from "../client/types.gen";
import { inHours } from "./time";
import { TroubleNote } from "./Trouble";

interface Props {
  bake: BakeView;
  ask: string; // on the button
}

/** The photos of a bake: taken, looked at, taken off and brought back. */
export function Photos({ bake, ask }: Props) {
  const send = useSendPhoto(bake.id);
  const tell = useTellBake(bake.id);
  const [chosen, choose] = useState<{ photo: Blob; key: string } | null>(null);
  const [off, setOff] = useState<number | null>(null); // the happening by which one was taken off
  const keep = (one: { photo: Blob; key: string }) => {
    choose(one);
    setOff(null);
    send.mutate(one, { onSuccess: () => choose(null) });
  };
  const pick = (e: ChangeEvent<HTMLInputElement>) => {
    const photo = e.target.files?.[0];
    e.target.value = ""; // so that the same file can be chosen again
    if (photo) keep({ photo, key: crypto.randomUUID() });
  };
  return (
    <section aria-label="Photos" className="py-2">
      <div className="flex flex-wrap items-center gap-3">
        {bake.state.photos?.map((p) => (
          <figure key={p.id} data-photo={p.id} className="w-32">
            <a href={photoAt(p.id)} target="_blank" rel="noreferrer">
              <img src={photoAt(p.id, true)} alt={nameOf(p)} className="h-24 w-32 rounded-tray border-2 border-rule object-cover" />
            </a>
            <figcaption className="text-sm text-soft">
              {nameOf(p)}
              <button
                type="button"
                disabled={tell.isPending}
                onClick={() => tell.mutate({ what: "undone", of: p.seq }, { onSuccess: (told) => setOff(told.state.last) })}
                className="block min-h-6 font-semibold text-rim underline"
              >
                Take it off
              </button>
            </figcaption>
          </figure>
        ))}
        <label className="flex min-h-12 cursor-pointer items-center gap-2 rounded-tray border-2 border-rim px-4 font-semibold text-rim has-focus-visible:outline-3">
          <Camera size={20} aria-hidden="true" />
          {send.isPending ? "Keeping the photo …" : ask}
          <input type="file" accept="image/jpeg,image/png,image/webp" disabled={send.isPending} onChange={pick} className="sr-only" />
        </label>
      </div>
      {off !== null && (
        <p role="status" className="mt-1">
          The photo is taken off.{" "}
          <button
            type="button"
            onClick={() => tell.mutate({ what: "undone", of: off }, { onSuccess: () => setOff(null) })}
            className="min-h-8 font-semibold text-rim underline"
          >
            Bring it back
          </button>
        </p>
      )}
      {send.isError && chosen && (
        <div className="mt-1">
          <TroubleNote error={send.error} />
          <button type="button" onClick={() => keep(chosen)} className="min-h-11 font-semibold text-rim underline">
            Send it again
          </button>
        </div>
      )}
      <TroubleNote error={tell.error} />
    </section>
  );
}

type Pictured = NonNullable<BakeView["state"]["photos"]>[number];

const nameOf = ({ minute, stage }: Pictured) =>
  stage ? `${stage}, ${inHours(minute)} in` : minute < 0 ? "before it began" : "when it was done";
