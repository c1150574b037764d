import type { PlanAnswer, PlanLine, Wish } from "../client/types.gen";
import { Amount } from "../parts/Amount";
import { inHours } from "../parts/time";
import { Made } from "../parts/Made";

export interface OnPaper {
  answer: PlanAnswer;
  wish: Wish;
  note: string;
}

const few = 12; // lines that stand in one column

/** One loaf at its size and on its machine, to be read from a metre. */
export function Card({ answer, note }: OnPaper) {
  const { plan } = answer;
  const { setting, pan } = plan;
  const find = (id: string) => plan.lines.filter((l) => l.id === id);
  const groups = [
    { title: `Into the pan, ${pan.order}`, lines: pan.layers.flatMap((l) => l.lines).flatMap(find) },
    { title: "At the first knead", lines: (pan.knead ?? []).flatMap(find) },
    { title: plan.addIns?.silent ? "Later, by the clock" : "At the beep", lines: pan.aside.flatMap(find) },
    ...(["filling", "glaze", "topping"] as const).map((part) => ({
      title: `The ${part}`,
      lines: plan.lines.filter((l) => l.part === part),
    })),
  ].filter((g) => g.lines.length > 0);
  const rows = plan.lines.length + groups.length;
  return (
    <>
      <h2 className="text-[28px] leading-8 font-bold">{plan.recipe}</h2>
      <p className="text-lg">
        <Made loaf={plan} /> · {plan.machine}
        {plan.heat.line && ` · ${plan.heat.name} ${plan.heat.cool ? "cool" : `at ${plan.heat.at}`}`}
      </p>
      <div className={`mt-2 ${rows > few ? "columns-2 gap-8" : ""}`}>
        {groups.map((g) => (
          <section key={g.title} className="mb-2 break-inside-avoid">
            <h3 className="border-b-2 border-ink text-base font-bold first-letter:uppercase">{g.title}</h3>
            <ul>
              {g.lines.map((l) => (
                <Row key={l.id} line={l} small={rows > few} />
              ))}
            </ul>
          </section>
        ))}
      </div>
      <section className="mt-2 break-inside-avoid border-t-2 border-ink pt-2">
        <p className="text-xl leading-7">
          <b>{setting.label}</b>
        </p>
        <p className="text-lg leading-6">
          The display says: {setting.shows}. It takes {inHours(setting.total)}.
        </p>
        <ul className="mt-1 text-lg leading-6">
          {plan.moments
            .filter((m) => m.person)
            .map((m) => (
              <li key={m.id}>
                <b className="figures">{inHours(m.after)}</b>: {m.say}
              </li>
            ))}
        </ul>
        {plan.ending?.core && <p className="text-lg leading-6">Done at {plan.ending.core} in its middle.</p>}
        {note && <p className="mt-1 text-base">{note}</p>}
        <p className="text-base">
          {plan.allergens.length > 0 && `Contains ${plan.allergens.join(", ")}. `}The machine’s own booklet comes first.
        </p>
      </section>
    </>
  );
}

function Row({ line, small }: { line: PlanLine; small: boolean }) {
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-0.5">
      <Amount line={line} size={small ? "plain" : "large"} />
      <span className={`font-semibold ${small ? "text-lg leading-6" : "text-xl leading-7"}`}>{line.name}</span>
      <span className="figures ml-auto text-base">{line.weight}</span>
    </li>
  );
}
