import type { PlanEnding } from "../client/types.gen";
import { inHours } from "../parts/time";

/** How it comes out, when it is done in its middle, and on what it cools. */
export function TakeOut({ out, ending }: { out: string[] | undefined; ending: PlanEnding | undefined }) {
  if (!out || !ending) return null;
  const signs = [ending.tap && "it sounds hollow at a tap on its bottom", ending.core && `its middle is at ${ending.core}`].filter(Boolean);
  return (
    <div className="mt-2 max-w-prose text-lg leading-7">
      <ul className="list-disc pl-6">
        {out.map((say) => (
          <li key={say}>{say}</li>
        ))}
        {signs.length > 0 && <li>It is done when {signs.join(", or when ")}.</li>}
        {ending.on && !ending.slice && <li>Into {ending.on}.</li>}
        {ending.slice && (
          <li>
            On to {ending.on}: {inHours(ending.slice)} before it is cut at all, {inHours(ending.clean ?? ending.slice)} until it cuts clean.
          </li>
        )}
      </ul>
      {ending.keeps && <p className="mt-1 text-base text-soft">{ending.keeps}</p>}
    </div>
  );
}
