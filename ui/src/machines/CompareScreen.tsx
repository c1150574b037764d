import { PressLink } from "../parts/Button";
import { useParams, useSearchParams } from "react-router";
import { useCompared, useMachine } from "../client/machines";
import type { ComparedCycle, Machine } from "../client/types.gen";
import { CrustSwatch } from "../parts/CrustSwatch";
import { look } from "../parts/stages";
import { said } from "../parts/said";
import { Term } from "../parts/Term";
import { TroubleNote } from "../parts/Trouble";
import { inHours } from "../parts/time";
import { Picker } from "../parts/Picker";
import { cycleTitle } from "../parts/panel";

const most = 6;

/** Cycles side by side, to one scale, stage under stage, and in words what the difference means. */
export default function CompareScreen() {
  const { id = "" } = useParams();
  const machine = useMachine(id);
  if (machine.error)
    return (
      <div className="p-8">
        <TroubleNote error={machine.error} />
      </div>
    );
  if (!machine.data) return <p className="p-8 text-lg text-soft">Loading machine …</p>;
  return <Compared id={id} machine={machine.data.machine} />;
}

function Compared({ id, machine }: { id: string; machine: Machine }) {
  const [search, setSearch] = useSearchParams();
  const set = (name: string, value: string) =>
    setSearch(
      (before) => {
        before.set(name, value);
        return before;
      },
      { replace: true },
    );
  const asked = search
    .get("cycles")
    ?.split("|")
    .filter((c) => machine.cycles.some((m) => m.id === c));
  const cycles = asked && asked.length > 0 ? asked : machine.cycles.slice(0, 3).map((c) => c.id);
  const size = machine.sizes.find((s) => s === search.get("size")) ?? machine.sizes[0] ?? "";
  const crust = machine.crusts.find((c) => c === search.get("crust")) ?? machine.crusts[0] ?? "medium";
  const recipe = search.get("recipe");
  const compared = useCompared(id, { cycles, size, crust, ...(recipe && { recipe }) });
  const toggle = (cycle: string) =>
    set("cycles", (cycles.includes(cycle) ? cycles.filter((c) => c !== cycle) : [...cycles, cycle].slice(-most)).join("|"));
  return (
    <div className="w-full px-6 py-4">
      <p>
        <PressLink to="/machines" size="small">
          Machines
        </PressLink>
      </p>
      <header className="flex flex-wrap items-center gap-x-6">
        <h1 className="text-xl font-bold">Cycles of {machine.name}</h1>
        <Picker label="Size" value={size} choices={machine.sizes.map((s) => ({ id: s, name: s }))} pick={(s) => set("size", s)} />
        <Picker label="Crust" value={crust} choices={machine.crusts.map((c) => ({ id: c, name: c }))} pick={(c) => set("crust", c)} />
        <CrustSwatch crust={crust} />
      </header>
      <div role="group" aria-label="Cycles to compare" className="mt-2 flex flex-wrap gap-2">
        {machine.cycles.map((c) => (
          <button
            key={c.id}
            type="button"
            aria-pressed={cycles.includes(c.id)}
            onClick={() => toggle(c.id)}
            className="min-h-11 rounded-tray border-2 border-dashed border-rule px-3 font-semibold aria-pressed:border-solid aria-pressed:border-rim"
          >
            {cycleTitle(c)}
          </button>
        ))}
      </div>
      {cycles.length < 2 && <p className="mt-4 text-lg text-soft">Press two or more cycles, up to six.</p>}
      <TroubleNote error={compared.error} />
      <ol className="mt-4 divide-y divide-rule border-y border-rule">
        {compared.data &&
          cycles.length > 1 &&
          compared.data.cycles.map((c, n) => (
            <Bar key={c.id} cycle={c} longest={compared.data.longest} first={compared.data.cycles[0]!} n={n} forRecipe={!!recipe} />
          ))}
      </ol>
    </div>
  );
}

interface BarProps {
  cycle: ComparedCycle;
  longest: number;
  first: ComparedCycle;
  n: number;
  forRecipe: boolean;
}

function Bar({ cycle, longest, first, n, forRecipe }: BarProps) {
  const { totals } = cycle;
  const sums: [string, number, string?][] = [
    ["rests", totals.rest, "Rest"],
    ["kneads", totals.knead, "Knead"],
    ["rises", totals.rise, "Last rise"],
    ["bakes", totals.bake],
  ];
  return (
    <li className="py-3" data-compared={cycle.id}>
      <p className="flex flex-wrap items-baseline gap-x-4">
        <span className="text-lg font-bold">{cycleTitle(cycle)}</span>
        <span className="figures text-lg font-bold">{inHours(totals.all)}</span>
        {sums.map(([name, m, word]) => (
          <span key={name} className="text-sm text-soft">
            {word ? <Term word={word}>{name}</Term> : name} <b className="figures text-ink">{m}</b> min
          </span>
        ))}
        <span className="text-sm text-soft">
          {totals.knockBacks} <Term word="Knock-back">{totals.knockBacks === 1 ? said("knock-back") : `${said("knock-back")}s`}</Term>
        </span>
      </p>
      <div
        className="mt-1 flex h-9 overflow-hidden rounded-tray border-2 border-rim"
        style={{ width: `${(100 * totals.all) / longest}%` }}
        role="img"
        aria-label={cycle.spans.map((s) => `${look[s.kind].name} ${s.to - s.from} min`).join(", ")}
      >
        {cycle.spans.map((s) => (
          <div
            key={s.from}
            style={{ width: `${(100 * (s.to - s.from)) / totals.all}%` }}
            className={`grid place-items-center overflow-hidden border-r border-enamel text-xs font-semibold whitespace-nowrap ${look[s.kind].paint}`}
          >
            {(100 * (s.to - s.from)) / longest > 5 ? `${look[s.kind].name} ${s.to - s.from}` : ""}
          </div>
        ))}
      </div>
      <p className="mt-1 text-sm">
        {n > 0 && (
          <>
            Beside {first.name} it {cycle.beside}.{" "}
          </>
        )}
        {forRecipe && <span className={cycle.suits ? "" : "text-soft"}>{cycle.reason}</span>}
      </p>
    </li>
  );
}
