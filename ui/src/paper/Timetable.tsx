import { clock, day, dayName } from "../parts/time";
import type { OnPaper } from "./Card";
import { Made } from "../parts/Made";
import { cycleTitle, startButton } from "../parts/panel";

/** All that a person does for a loaf, by day and clock. */
export function Timetable({ answer }: OnPaper) {
  const { plan, zone, now } = answer;
  const begin = Date.parse(plan.timer.begin);
  const hours = [
    ...(plan.ahead ?? []).map((a) => ({ at: Date.parse(a.at), say: a.say, hands: true })),
    { at: Date.parse(plan.timer.press), say: `Everything is in: press ${startButton(plan)}. ${plan.setting.label}.`, hands: true },
    ...plan.moments.map((m) => ({ at: begin + m.after * 60_000, say: m.say, hands: m.person })),
  ].sort((a, b) => a.at - b.at);
  const days = [...new Set(hours.map((h) => day(h.at, zone)))];
  return (
    <>
      <h2 className="text-[28px] leading-8 font-bold">{plan.recipe}</h2>
      <p className="text-lg">
        <Made loaf={plan} /> · {plan.machine} · {cycleTitle(plan.setting.cycle)}
      </p>
      {days.map((d) => (
        <section key={d} className="mt-3 break-inside-avoid">
          <h3 className="border-b-2 border-ink text-lg font-bold first-letter:uppercase">{dayName(d, day(now, zone))}</h3>
          <ul>
            {hours
              .filter((h) => day(h.at, zone) === d)
              .map((h) => (
                <li
                  key={`${h.at} ${h.say}`}
                  className={`flex gap-4 border-b border-rule py-1 text-lg leading-7 ${h.hands ? "font-semibold" : ""}`}
                >
                  <span className="figures w-24 shrink-0 text-xl whitespace-nowrap">{clock(h.at, zone)}</span>
                  <span className="min-w-0">{h.say}</span>
                </li>
              ))}
          </ul>
        </section>
      ))}
      <p className="mt-2 text-base">In bold what wants hands. Times hold if {startButton(plan)} is pressed when it says.</p>
    </>
  );
}
