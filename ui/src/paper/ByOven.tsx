import { useByOven } from "../client/recipes";
import { TroubleNote } from "../parts/Trouble";
import type { OnPaper } from "./Card";

/** The same loaf for a day without the machine. */
export function ByOven({ answer, wish }: OnPaper) {
  const oven = useByOven(wish);
  const { plan } = answer;
  const amount = (l: (typeof plan.lines)[number]) => l.spoken || l.weight;
  return (
    <>
      <h2 className="text-[28px] leading-8 font-bold">{plan.recipe}, by mixer and oven</h2>
      <p className="mt-1 text-lg leading-6">{plan.lines.map((l) => `${amount(l)} ${l.name} (${l.weight})`).join("; ")}.</p>
      <TroubleNote error={oven.error} />
      {!oven.data && !oven.error && <p className="text-lg text-soft">Working it out …</p>}
      <ol className="mt-3 list-decimal pl-8 text-lg leading-8">
        {(oven.data?.steps ?? []).map((say) => (
          <li key={say} className="break-inside-avoid">
            {say}
          </li>
        ))}
      </ol>
      {oven.data && <p className="mt-2 text-base">Minutes are usual ones: look at the dough, not at the clock.</p>}
    </>
  );
}
