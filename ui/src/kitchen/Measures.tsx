import { Button } from "../parts/Button";
import { X } from "lucide-react";
import { useState } from "react";
import type { Kitchen, Measure, Problem } from "../client/types.gen";
import { MeasureLabel } from "../parts/Amount";
import { fixed } from "../parts/figures";
import { Picker } from "../parts/Picker";
import { JugFields } from "./JugFields";
import type { SetKitchen } from "./set";
import { ownable } from "../parts/ownable";

const usual = [
  "1 cup",
  "3/4 cup",
  "2/3 cup",
  "1/2 cup",
  "1/3 cup",
  "1/4 cup",
  "1/8 cup",
  "1 tbsp",
  "1/2 tbsp",
  "1 tsp",
  "1/2 tsp",
  "1/4 tsp",
  "1/8 tsp",
];

const words = { us: "", metric: "metric ", australian: "metric ", imperial: "metric " } as const;

/** A usual measure in the kitchen's standard: "1 cup" is "1 metric cup" in a metric kitchen. */
function inStandard(amount: string, standard: Kitchen["standard"]): string {
  if (standard === "australian" && amount.endsWith("tbsp")) return amount.replace("tbsp", "australian tbsp");
  return amount.replace(/(cup|tbsp|tsp)/, `${words[standard]}$1`);
}

/** The same measures in another standard; odd ones stay as they are. */
function converted(measures: Measure[], from: Kitchen["standard"], to: Kitchen["standard"]): Measure[] {
  return measures.map((m) => {
    const plain = usual.find((u) => inStandard(u, from) === m.amount);
    return plain && !m.name ? { amount: inStandard(plain, to) } : m;
  });
}

/** The cups and spoons owned: pressed ones are there. */
export function Measures({ kitchen, set, fault }: { kitchen: Kitchen; set: SetKitchen; fault?: Problem }) {
  const { measures, standard } = kitchen;
  const offered = usual.map((u) => inStandard(u, standard));
  const odd = measures.filter((m) => m.name || !offered.includes(m.amount));
  const owns = (amount: string) => measures.some((m) => m.amount === amount && !m.name);
  const toggle = (amount: string) =>
    set({
      measures: owns(amount) ? measures.filter((m) => m.amount !== amount || m.name) : [...measures, { amount }],
      prefer: kept(kitchen, amount),
    });
  return (
    <section aria-labelledby="owned">
      <div className="flex items-center justify-between">
        <h2 id="owned" className="text-sm font-semibold text-soft">
          Cups and spoons in the drawer
        </h2>
        <Picker
          label="Standard"
          value={standard}
          pick={(to) => {
            const next = to as Kitchen["standard"];
            set({ standard: next, measures: converted(measures, standard, next), prefer: [] });
          }}
          choices={[
            { id: "us", name: "US cups", hint: `${fixed(236.6, 1)} ml, tablespoon ${fixed(14.8, 1)} ml` },
            { id: "metric", name: "Metric cups", hint: "250 ml, tablespoon 15 ml" },
            { id: "australian", name: "Australian cups", hint: "250 ml, tablespoon 20 ml" },
            { id: "imperial", name: "Imperial pints", hint: "metric cups and spoons" },
          ]}
        />
      </div>
      <ul className="mt-1 grid grid-cols-3 gap-2 sm:grid-cols-5">
        {offered.map((amount, n) => (
          <li key={amount}>
            <button
              type="button"
              aria-pressed={owns(amount)}
              onClick={() => toggle(amount)}
              className={`flex min-h-14 w-full items-center justify-center ${ownable}`}
            >
              <span aria-hidden="true">
                <MeasureLabel measure={{ amount: usual[n] ?? amount }} />
              </span>
              <span className="sr-only">{usual[n]}</span>
            </button>
          </li>
        ))}
      </ul>
      {odd.length > 0 && (
        <ul className="mt-2 divide-y divide-rule border-y border-rule">
          {odd.map((m) => (
            <li key={m.amount + (m.name ?? "")} className="flex min-h-11 items-center gap-4">
              <span className="font-semibold">{m.name ?? m.amount}</span>
              <span className="figures text-soft">{m.amount}</span>
              <button
                type="button"
                aria-label={`Remove ${m.name ?? m.amount}`}
                onClick={() => set({ measures: measures.filter((o) => o !== m) })}
                className="ml-auto grid size-11 place-items-center text-rim"
              >
                <X size={20} aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <JugFields jug={kitchen.jug} set={set} fault={fault} />
      <OddMeasure add={(m) => set({ measures: [...measures, m] })} />
    </section>
  );
}

/** Preferences without the measure that was taken out. */
const kept = (kitchen: Kitchen, amount: string) => kitchen.prefer.filter((p) => p.measure.amount !== amount || p.measure.name);

/** A cup of the household's own: its name and what it holds. */
function OddMeasure({ add }: { add: (m: Measure) => void }) {
  const [name, setName] = useState("");
  const [ml, setMl] = useState("");
  const value = Number(ml.replace(",", "."));
  const fault = ml !== "" && !(value >= 0.2 && value <= 2000) ? `${fixed(0.2, 1)} to 2000 ml` : "";
  const field = "figures h-11 rounded-tray border-2 border-rim bg-enamel px-2 aria-invalid:border-signal";
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-2 text-sm"
      onSubmit={(e) => {
        e.preventDefault();
        if (!name.trim() || !ml || fault) return;
        add({ name: name.trim(), amount: `${value} ml` });
        setName("");
        setMl("");
      }}
    >
      <label>
        Another measure
        <input
          value={name}
          onChange={(e) => setName(e.target.value)}
          placeholder="blue mug"
          maxLength={60}
          className={`${field} block w-40`}
        />
      </label>
      <label>
        holds, ml
        <input
          value={ml}
          onChange={(e) => setMl(e.target.value)}
          inputMode="decimal"
          aria-invalid={!!fault}
          className={`${field} block w-24`}
        />
      </label>
      <Button type="submit">Add measure</Button>
      <span role="status" className="text-signal">
        {fault}
      </span>
    </form>
  );
}
