import { said } from "../parts/said";
import type { LineText, ReadColumn, RecipeRead } from "../client/types.gen";
import { Segments } from "../parts/Segments";
import { ReadLines } from "./ReadLines";
import { fixed, weight } from "../parts/figures";

interface Props {
  read: RecipeRead;
  lit: number | undefined; // the row of the text that is looked at
  light: (row: number) => void;
  write: (lines: LineText[]) => void;
  trust: (size: string) => void; // the column whose amounts are the recipe's
}

/** A recipe's card as it was understood: its lines, other sizes, settings and method. */
export function ReadCard({ read, lit, light, write, trust }: Props) {
  const { formula, recipe } = read;
  const { hydration, salt, yeast } = formula;
  const per100 = `water ${fixed(hydration, 0)}, salt ${fixed(salt, 1)}, yeast ${fixed(yeast, 1)} (as active dry yeast) per 100`;
  return (
    <>
      {read.columns && <Columns read={read} columns={read.columns} trust={trust} />}
      <ReadLines read={read} lit={lit} light={light} write={write} />
      <p className="mt-2">
        <span className="fraction font-semibold">{recipe.size}</span>
        {read.inferred && (read.columns ? ", as the card has it" : " by its flour")} · {said(recipe.kind)}
        {read.guessed && " (type found automatically)"}
        {formula.flour > 0 && ` · ${weight(formula.flour)} flour · ${per100}`}
      </p>
      {read.question && (
        <p className="mt-1 border-l-4 border-rim pl-3">
          It says {recipe.size}, but there’s flour for {read.question}. Check which is right.
        </p>
      )}
      {read.heat && <p className="mt-1 border-l-4 border-signal pl-3">{read.heat}</p>}
      <Beside read={read} />
      <NotUsed rows={[...(read.remarks ?? []), ...(read.unused ?? [])]} />
    </>
  );
}

/** The rows of the paste that are no part of the recipe, so that none vanishes unseen. */
function NotUsed({ rows }: { rows: string[] }) {
  if (rows.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="min-h-8 cursor-pointer font-semibold text-rim">
        Not used: {rows.length} {rows.length === 1 ? "row" : "rows"}
      </summary>
      <ul className="list-disc pl-6 text-soft">
        {rows.map((row, n) => (
          <li key={n}>{row}</li>
        ))}
      </ul>
    </details>
  );
}

/** What the card says beside its ingredients. */
function Beside({ read }: { read: RecipeRead }) {
  const { cycle, crust, delay } = read.settings ?? {};
  const told = [
    cycle && `${cycle} cycle`,
    crust && `${crust} crust`,
    delay && (delay === "no" ? "not on the timer" : "may wait on the timer"),
  ];
  const settings = told.filter(Boolean).join(", ");
  return (
    <dl className="mt-2 grid grid-cols-[6rem_1fr] gap-x-3 gap-y-1">
      {settings && (
        <>
          <dt className="text-soft">Settings</dt>
          <dd>{settings}</dd>
        </>
      )}
      {read.makes && (
        <>
          <dt className="text-soft">Makes</dt>
          <dd>{read.makes}</dd>
        </>
      )}
      {read.method && (
        <>
          <dt className="text-soft">Method</dt>
          <dd>
            <ol className="list-decimal pl-5">
              {read.method.map((s, n) => (
                <li key={n}>{s}</li>
              ))}
            </ol>
          </dd>
        </>
      )}
    </dl>
  );
}

/** The card's own amounts for other sizes, beside what scaling makes of the lines. */
function Columns({ read, columns, trust }: { read: RecipeRead; columns: ReadColumn[]; trust: (size: string) => void }) {
  const sizes = read.sizes ?? [];
  const apart = columns.flatMap((c) => c.lines.filter((l) => l.differs).map((l) => ({ ...l, size: c.size })));
  const name = (id: string) => read.lines.find((l) => l.id === id)?.name ?? id;
  return (
    <section aria-label="The card's sizes" className="mb-3">
      <div className="flex flex-wrap items-center gap-3">
        <span className="font-semibold">The card has {sizes.length} sizes. Trust its</span>
        <Segments
          label="Which column is right?"
          value={read.recipe.size}
          pick={trust}
          className="fraction min-h-11 content-center px-3 font-semibold"
          segments={sizes.map((s) => ({ value: s, label: s, show: s }))}
        />
      </div>
      {apart.length === 0 ? (
        <p className="mt-1 text-soft">The other amounts are calculated.</p>
      ) : (
        <details className="mt-1">
          <summary className="min-h-8 cursor-pointer font-semibold text-rim">
            {apart.length === 1 ? "One amount differs" : `${apart.length} amounts differ`} from what scaling makes of them
          </summary>
          <table className="fraction w-full text-left">
            <thead className="text-sm text-soft">
              <tr>
                <th scope="col">size</th>
                <th scope="col">ingredient</th>
                <th scope="col">on the card</th>
                <th scope="col">scaled</th>
              </tr>
            </thead>
            <tbody>
              {apart.map((l) => (
                <tr key={l.size + l.line} className="border-t border-rule">
                  <td>{l.size}</td>
                  <td>{name(l.line)}</td>
                  <td className="font-semibold">{l.card}</td>
                  <td>{l.scaled}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
    </section>
  );
}
