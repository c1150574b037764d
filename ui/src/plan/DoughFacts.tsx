import type { PlanAnswer } from "../client/types.gen";
import type { Why } from "./why";
import { fixed } from "../parts/figures";

/** How this dough will be, and what is missing for it; each opens to its reason. */
export function DoughFacts({ answer, ask }: { answer: PlanAnswer; ask: (why: Why) => void }) {
  const { formula, heat } = answer.plan;
  const range = formula.high - formula.low > 0.5;
  const missing = answer.shopping.filter((s) => s.buy).length;
  const facts: { name: string; value: string; hint: string; about: "formula" | "heat" | "shopping" }[] = [
    ...(formula.flour > 0
      ? [
          {
            name: "Water (hydration)",
            value: range ? `${fixed(formula.low, 0)}–${fixed(formula.high, 0)}` : fixed(formula.hydration, 0),
            hint: "% of flour weight",
            about: "formula" as const,
          },
        ]
      : []),
    ...(heat.line ? [{ name: heat.cool ? heat.name : `${heat.name} at`, value: heat.at, hint: heat.touch, about: "heat" as const }] : []),
    {
      name: "To buy",
      value: missing > 0 ? String(missing) : "list",
      hint: missing > 0 ? "things are short" : "what this loaf needs",
      about: "shopping",
    },
  ];
  return (
    <ul className="mt-2 grid grid-cols-3 border-y border-rule">
      {facts.map((f) => (
        <li key={f.about} className="border-r border-rule last:border-r-0">
          <button
            type="button"
            onClick={() => ask({ about: f.about })}
            data-fact={f.about}
            className="block h-full w-full px-2 py-1 text-left hover:bg-shelf"
          >
            <span className="block text-sm leading-5 text-soft first-letter:uppercase">{f.name}</span>
            <span className="figures block text-lg leading-6 font-bold underline decoration-rule underline-offset-4">{f.value}</span>
            <span className="block text-sm leading-5 text-soft">{f.hint}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
