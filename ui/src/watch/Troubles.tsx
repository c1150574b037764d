import { useState } from "react";
import { useTroubles } from "../client/bakes";
import type { BakeView, Happened, Trouble } from "../client/types.gen";
import { Button } from "../parts/Button";
import { Sheet } from "../parts/Sheet";
import { clock } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";

interface Props {
  bake: BakeView;
  tell: (happened: Happened) => void;
  wait: boolean;
}

/** Whatever else happened: found by a word, with what to do about it now. */
export function Troubles({ bake, tell, wait }: Props) {
  const [open, setOpen] = useState(false);
  const [word, setWord] = useState("");
  const [event, choose] = useState<Trouble["event"]>();
  const troubles = useTroubles(bake.id, open);
  const all = troubles.data?.troubles ?? [];
  const chosen = all.find((t) => t.event === event);
  const words = word.trim().toLowerCase().split(/\s+/);
  const found = all.filter((t) => words.every((w) => t.event.toLowerCase().includes(w)));
  const close = () => {
    setOpen(false);
    choose(undefined);
  };
  return (
    <div className="mt-1">
      <Button onClick={() => setOpen(true)} look="text">
        Something else happened
      </Button>
      {open && (
        <Sheet
          title={chosen ? <span className="inline-block first-letter:uppercase">{chosen.event}</span> : "What happened?"}
          close={close}
        >
          <TroubleNote error={troubles.error} />
          {chosen ? (
            <Answer
              of={chosen}
              zone={bake.zone}
              wait={wait}
              note={() => {
                tell({ what: "otherwise", event: chosen.event });
                close();
              }}
              back={() => choose(undefined)}
            />
          ) : (
            <>
              <label className="mt-3 block">
                A word for it
                <input
                  autoFocus
                  value={word}
                  onChange={(e) => setWord(e.target.value)}
                  placeholder="salt, smoke, stuck …"
                  className="mt-1 block h-12 w-full rounded-tray border-2 border-rim bg-enamel px-3 text-lg"
                />
              </label>
              <ul className="mt-3 divide-y divide-rule border-y border-rule">
                {found.map((t) => (
                  <li key={t.event}>
                    <button type="button" onClick={() => choose(t.event)} className="min-h-11 w-full py-2 text-left text-lg">
                      <span className="inline-block first-letter:uppercase">{t.event}</span>
                    </button>
                  </li>
                ))}
              </ul>
              {troubles.data && found.length === 0 && (
                <p className="mt-3">Nothing here is called so. Try another word, such as salt, pan, lid or smell.</p>
              )}
              <Button onClick={close} look="text" className="mt-3">
                Close
              </Button>
            </>
          )}
        </Sheet>
      )}
    </div>
  );
}

interface AnswerProps {
  of: Trouble;
  zone: string;
  wait: boolean;
  note: () => void;
  back: () => void;
}

/** What to do about it now, until when, what never, and why. */
function Answer({ of, zone, wait, note, back }: AnswerProps) {
  return (
    <div role="status" className="mt-3 space-y-2">
      <p className="text-xl font-bold">{of.do}</p>
      {of.until && (
        <p>
          Until <b>{clock(of.until, zone)}</b>.
        </p>
      )}
      {of.never && <p className="border-l-4 border-signal pl-3">{of.never}</p>}
      {of.costs && <p>It costs: {of.costs.charAt(0).toLowerCase() + of.costs.slice(1)}</p>}
      <p className="text-soft">{of.why}</p>
      <p className="flex flex-wrap items-center gap-x-4">
        <Button disabled={wait} onClick={note}>
          Note it with this bake
        </Button>
        <Button onClick={back} look="text">
          Something else
        </Button>
      </p>
    </div>
  );
}
