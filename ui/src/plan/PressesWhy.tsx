import type { PlanAnswer } from "../client/types.gen";

/** The presses on the panel, one button after another, and what the display then says. */
export default function PressesWhy({ answer }: { answer: PlanAnswer }) {
  const { setting } = answer.plan;
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">What to press</h2>
      <p className="text-sm text-soft">From when the machine is plugged in; a replugged one begins again.</p>
      <ol className="mt-2 divide-y divide-rule border-y border-rule">
        {setting.presses.map((p) => (
          <li key={p.button} className="flex min-h-12 items-center gap-3 py-1">
            <span className="grid min-h-9 min-w-20 place-items-center rounded-tray border-2 border-rim px-2 text-sm font-bold">
              {p.button}
            </span>
            <span className="figures text-lg font-bold">{p.times > 1 ? `${p.times} times` : "once"}</span>
            <span className="ml-auto text-right text-sm text-soft">{p.shows}</span>
          </li>
        ))}
      </ol>
      <p className="mt-3 text-sm">Before Start the display says</p>
      <p className="figures mt-1 rounded-tray border-2 border-ink bg-shelf px-3 py-2 text-lg font-bold" data-display>
        {setting.shows}
      </p>
      <p className="mt-2 text-xs text-soft">
        Then see that the running light is on.
        {setting.hold && " Hold the timer’s button to run on."}
        {setting.lock && ` Press ${setting.lock}, so that nobody stops it.`}
      </p>
    </>
  );
}
