import { useState } from "react";
import { useTroubles } from "../client/bakes";
import type { BakeView, Happened, Trouble } from "../client/types.gen";
import type { OtherwiseGroup } from "../client/words.gen";
import { Button } from "../parts/Button";
import { thermometer } from "../parts/figures";
import { Sheet } from "../parts/Sheet";
import { clock } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { box, degrees, Typed } from "../parts/Typed";
import { Advised } from "./Advised";

interface Props {
  bake: BakeView;
  tell: (happened: Happened) => void;
  wait: boolean;
}

/** Whatever else happened: found by a word or by its group, with what to do about it now. */
export function Troubles({ bake, tell, wait }: Props) {
  const [open, setOpen] = useState(false);
  const [word, setWord] = useState("");
  const [group, setGroup] = useState<OtherwiseGroup>();
  const [event, choose] = useState<Trouble["event"]>();
  const [core, setCore] = useState("");
  const troubles = useTroubles(bake.id, open, core);
  const all = troubles.data?.troubles ?? [];
  const chosen = all.find((t) => t.event === event);
  const words = word.trim().toLowerCase().split(/\s+/);
  const found = all.filter((t) => (word.trim() ? words.every((w) => t.event.toLowerCase().includes(w)) : t.group === group));
  const close = () => {
    setOpen(false);
    choose(undefined);
    setGroup(undefined);
    setWord("");
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
              core={core}
              measured={setCore}
              note={(started) => {
                tell({ what: "otherwise", event: chosen.event });
                if (started) tell({ what: "started again" });
                close();
              }}
              back={() => choose(undefined)}
            />
          ) : (
            <>
              <label className="mt-3 block">
                Search what happened
                <input
                  autoFocus
                  value={word}
                  onChange={(e) => setWord(e.target.value)}
                  placeholder="salt, smoke, stuck …"
                  className="mt-1 block h-12 w-full rounded-tray border-2 border-rim bg-enamel px-3 text-lg"
                />
              </label>
              {!word.trim() && (
                <div role="group" aria-label="Or what it was about" className="mt-3 grid grid-cols-2 gap-2 sm:grid-cols-4">
                  {[...new Set(all.map((t) => t.group))].map((g) => (
                    <Button
                      key={g}
                      onClick={() => setGroup(g)}
                      aria-pressed={g === group}
                      className={g === group ? "bg-shelf ring-2 ring-rim" : ""}
                    >
                      <span className="inline-block first-letter:uppercase">{g}</span>
                    </Button>
                  ))}
                </div>
              )}
              <ul className="mt-3 divide-y divide-rule border-y border-rule empty:hidden">
                {found.map((t) => (
                  <li key={t.event}>
                    <button type="button" onClick={() => choose(t.event)} className="min-h-11 w-full py-2 text-left text-lg">
                      <span className="inline-block first-letter:uppercase">{t.event}</span>
                    </button>
                  </li>
                ))}
              </ul>
              {troubles.data && word.trim() && found.length === 0 && (
                <p className="mt-3">Nothing matches “{word.trim()}”. Try another word, such as salt, pan, lid or smell.</p>
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
  core: string;
  measured: (core: string) => void;
  note: (started: boolean) => void;
  back: () => void;
}

/** What to do about it now, until when, what not, and why. */
function Answer({ of, zone, wait, core, measured, note, back }: AnswerProps) {
  const { unit } = thermometer();
  return (
    <div className="mt-3 space-y-2">
      {of.asks && (
        <label className="flex flex-wrap items-center gap-2">
          The middle of the loaf, if you measured it
          <Typed
            value={core}
            show={(c) => c}
            parse={(text) => (/^\d+([.,]\d+)?\s*(°?\s*[cf])?$/i.test(text.trim()) ? degrees(unit)(text) : null)}
            say={`such as 93 ${unit}`}
            keep={(c, kept) => {
              measured(c);
              kept();
            }}
            placeholder="–"
            className={`figures h-11 w-24 text-center ${box}`}
          />
        </label>
      )}
      <div role="status">
        <Advised advice={of} />
        {of.until && (
          <p className="mt-2">
            You can do this until <b>{clock(of.until, zone)}</b>.
          </p>
        )}
      </div>
      <p className="flex flex-wrap items-center gap-x-4">
        {of.restarts && (
          <Button disabled={wait} onClick={() => note(true)}>
            I started it again
          </Button>
        )}
        <Button disabled={wait} onClick={() => note(false)} {...(of.restarts ? { look: "text" as const } : {})}>
          Note it with this bake
        </Button>
        <Button onClick={back} look="text">
          Something else
        </Button>
      </p>
    </div>
  );
}
