import { Button } from "../parts/Button";
import { useState } from "react";
import type { BakeView, Happened } from "../client/types.gen";
import { clock24, inHours, readClock, shown } from "../parts/time";
import { moved, standing } from "./happened";
import { between, box, degrees, Typed } from "../parts/Typed";
import { thermometer } from "../parts/figures";

interface Props {
  bake: BakeView;
  now: number;
  tell: (happened: Happened) => void;
  wait: boolean;
}

/** What went otherwise than planned: the clock follows. */
export function Otherwise({ bake, now, tell, wait }: Props) {
  const [open, setOpen] = useState(false);
  const [minutes, setMinutes] = useState(10);
  const { state } = bake;
  const { unit } = thermometer();
  const say = (h: Happened) => {
    tell(h);
    setOpen(false);
  };
  const last = standing(bake).findLast((h) => moved[h.what]);
  return (
    <section aria-label="Changes during the bake" className="mt-2">
      <p className="flex flex-wrap items-center gap-x-4">
        <Button aria-expanded={open} onClick={() => setOpen(!open)} look="text">
          The times are not right
        </Button>
        {last && (
          <Button disabled={wait} onClick={() => tell({ what: "undone", of: last.seq })} look="text">
            Take back: {moved[last.what]}
          </Button>
        )}
      </p>
      {open && (
        <div className="space-y-3 border-l-4 border-rim pl-4">
          {state.refuses && now <= Date.parse(state.refuses) && (
            <p className="flex flex-wrap items-center gap-2">
              It refuses to start: it is
              {(["too hot", "too cold"] as const).map((refusal) => (
                <Button key={refusal} disabled={wait} onClick={() => say({ what: "refused", refusal })}>
                  {refusal}
                </Button>
              ))}
            </p>
          )}
          {state.phase === "running" && state.stage && (
            <Button disabled={wait} onClick={() => say({ what: "stage over" })}>
              This stage has ended early: the next one runs
            </Button>
          )}
          {state.phase === "running" && (
            <label className="flex flex-wrap items-center gap-2">
              The dough is
              <Typed
                value={state.probe?.warm ?? ""}
                show={(warm) => warm}
                parse={(text) => (/^\d+([.,]\d+)?\s*(°?\s*[cf])?$/i.test(text.trim()) ? degrees(unit)(text) : null)}
                say={`such as 26 ${unit}`}
                keep={(warm, kept) => {
                  tell({ what: "probed", warm });
                  kept();
                }}
                placeholder="–"
                className={`figures h-11 w-24 text-center ${box}`}
              />
              warm, by a thermometer
            </label>
          )}
          <div className="flex flex-wrap items-center gap-2">
            <Typed
              value={minutes}
              show={String}
              parse={between(1, 240)}
              keep={(n, kept) => {
                setMinutes(n);
                kept();
              }}
              label="Minutes"
              say="1 to 240 minutes"
              mode="numeric"
              live
              className={`figures h-11 w-20 ${box}`}
            />
            minutes
            <Button disabled={wait} onClick={() => say({ what: "moved", minutes })}>
              {state.phase === "waiting" ? "later begun" : "added"}
            </Button>
            <Button disabled={wait} onClick={() => say({ what: "moved", minutes: -minutes })}>
              {state.phase === "waiting" ? "sooner begun" : "cut short"}
            </Button>
          </div>
          <PowerCut bake={bake} now={now} tell={say} wait={wait} />
        </div>
      )}
    </section>
  );
}

/** When the power went and came back: only the baker knows. */
function PowerCut({ bake, now, tell, wait }: Props) {
  const [from, setFrom] = useState(() => clock24(Math.max(now - 20 * 60_000, Date.parse(bake.startedAt)), bake.zone));
  const [to, setTo] = useState(() => clock24(now, bake.zone));
  const [resumed, setResumed] = useState(true);
  // The newest such time that has not come yet: a cut lies behind, within a day.
  const instant = (time: string) => {
    for (let back = 0; back < 1440; back++) {
      const at = Math.floor(now / 60_000) * 60_000 - back * 60_000;
      if (clock24(at, bake.zone) === time) return new Date(at).toISOString();
    }
    return new Date(now).toISOString();
  };
  const field = (label: string, value: string, set: (time: string) => void) => (
    <Typed
      value={value}
      show={shown}
      parse={readClock}
      keep={(time, kept) => {
        set(time);
        kept();
      }}
      label={label}
      say="a time of day such as 14:05"
      live
      className={`figures h-11 w-24 ${box}`}
    />
  );
  const long = Math.round((Date.parse(instant(to)) - Date.parse(instant(from))) / 60_000);
  return (
    <fieldset className="flex flex-wrap items-center gap-2">
      <legend className="font-semibold">A power cut</legend>
      from {field("Power went at", from, setFrom)} to {field("Power came back at", to, setTo)}
      {long > 0 && <span className="text-soft">{inHours(long)}</span>}
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" checked={resumed} onChange={(e) => setResumed(e.target.checked)} className="size-6 accent-rim" />
        the machine went on by itself
      </label>
      <Button
        disabled={wait || long <= 0}
        onClick={() => tell({ what: "power cut", cut: { from: instant(from), to: instant(to), resumed } })}
      >
        Save
      </Button>
    </fieldset>
  );
}
