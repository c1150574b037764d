import { Button } from "../parts/Button";
import { Check, Undo2 } from "lucide-react";
import { bakeHours } from "../client/api";
import type { BakeHappening, BakeMoment, BakeView, Happened } from "../client/types.gen";
import { standing } from "./happened";
import { clock, day, dayName } from "../parts/time";

interface Props {
  bake: BakeView;
  now: number;
  tell: (happened: Happened) => void;
}

/** Everything to come on the clock; what needs a person can be ticked off, and unticked. */
export function Moments({ bake, now, tell }: Props) {
  const stands = standing(bake);
  const ticked = (m: BakeMoment) => {
    const ticks = (h: BakeHappening) =>
      ((h.what === "done" || h.what === "skipped") && h.moment === m.id) || (h.what === "saw" && m.kind === "look");
    return stands.findLast(ticks);
  };
  const press = (m: BakeMoment) => {
    const done = ticked(m);
    tell(done ? { what: "undone", of: done.seq } : { what: "done", moment: m.id });
  };
  const today = day(now, bake.zone);
  // What needed nobody, and is over, is left out.
  const shown = bake.state.moments.filter((m) => m.person || m.optional || Date.parse(m.at) > now);
  const on = (n: number) => (shown[n] ? day(shown[n].at, bake.zone) : today);
  return (
    <section aria-labelledby="moments">
      <h2 id="moments" className="text-sm font-semibold text-soft">
        On the clock
      </h2>
      <ol className="mt-1 divide-y divide-rule border-y border-rule text-lg">
        {shown.map((m, n) => {
          const past = Date.parse(m.at) <= now;
          const another = on(n) !== on(n - 1) && dayName(on(n), today);
          return (
            <li key={m.id} data-moment={m.kind} className={`flex min-h-14 items-center gap-4 ${past || m.done ? "text-soft" : ""}`}>
              <span className={`w-20 text-lg ${m.person ? "font-bold" : ""}`}>
                {another && <span className="block text-sm font-normal text-soft">{another}</span>}
                <span className="figures">{clock(m.at, bake.zone)}</span>
                {m.upTo && m.upTo > m.after && (
                  <span className="figures text-base font-normal">–{clock(Date.parse(m.at) + (m.upTo - m.after) * 60_000, bake.zone)}</span>
                )}
              </span>
              <span className={`flex-1 ${m.person && !past ? "font-semibold" : ""} ${m.done ? "line-through" : ""}`}>
                {m.say}
                {m.skipped && " Left out."}
                {m.waits && !m.done && <span className="font-normal"> The machine waits.</span>}
              </span>
              {(m.person || m.optional) &&
                m.kind !== "ready" &&
                m.kind !== "refused" &&
                !m.waits &&
                (!(m.done || m.skipped) || ticked(m)) && (
                  <Button onClick={() => press(m)} size="medium" className="flex items-center gap-2 text-base">
                    {m.done || m.skipped ? (
                      <>
                        <Undo2 size={20} aria-hidden="true" />
                        Undo
                      </>
                    ) : (
                      <>
                        <Check size={20} aria-hidden="true" />
                        Done
                      </>
                    )}
                    <span className="sr-only">: {m.say}</span>
                  </Button>
                )}
            </li>
          );
        })}
      </ol>
      {bake.recipeId && ( // a rehearsal is in nobody's calendar
        <a href={bakeHours(bake.id)} download className="inline-block min-h-11 content-center font-semibold text-rim underline">
          Save these hours as a calendar
        </a>
      )}
    </section>
  );
}
