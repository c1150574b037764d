import { Switch } from "@headlessui/react";
import type { PlanAnswer, Problem, Wish } from "../client/types.gen";
import { degrees, Typed } from "../parts/Typed";
import { type Change, listed } from "./wish";
import { fixed, weight } from "../parts/figures";

interface Props {
  answer: PlanAnswer;
  wish: Wish;
  fault: Problem | undefined;
  change: (change: Change) => void;
}

/** How warm the liquid must be, without a thermometer too, and the balance of heat behind it. */
export default function HeatSheet({ answer, wish, fault, change }: Props) {
  const { heat, lines } = answer.plan;
  const asListed = (line: string) => lines.find((l) => l.id === line)?.weight;
  const cold = wish.hands?.warmth?.cold ?? [];
  const unit = heat.room.slice(-2);
  const at = (pointer: string) => (fault?.pointer === pointer ? fault.detail : undefined);
  return (
    <div className="grid gap-x-8 xl:grid-cols-[9fr_11fr]">
      <div>
        <h2 className="text-lg font-bold first-letter:uppercase">
          {heat.name} {heat.cool ? "" : "at"}
        </h2>
        <p className="figures text-2xl leading-tight font-bold" data-heat>
          {heat.at}
        </p>
        <p className="text-lg first-letter:uppercase">{heat.touch}.</p>
        {heat.kettle && <p className="fraction mt-1">No thermometer: {heat.kettle}.</p>}
        <p className="mt-2">{heat.why}</p>
        <dl className="mt-3 grid grid-cols-[1fr_auto] gap-x-4 border-y border-rule py-2 text-sm">
          <dt className="text-soft">The dough then leaves at</dt>
          <dd className="figures font-bold">{heat.leaves}</dd>
          <dt className="text-soft">Best is about</dt>
          <dd className="figures">{heat.target}</dd>
          <dt className="text-soft">Kneading adds</dt>
          <dd className="figures">{heat.rise}</dd>
        </dl>
        <p className="mt-1 text-sm first-letter:uppercase">{heat.limit}.</p>
        <p className="mt-1 text-xs text-soft">
          A guide: how your kitchen likes its liquid is set on the Kitchen screen. Yeast dies near {heat.dies}.
        </p>
      </div>
      <div>
        <h2 className="text-lg font-bold">What was assumed</h2>
        <div className="mt-1 flex gap-4">
          <Degree label="Kitchen" value={heat.room} unit={unit} fault={at("/hands/warmth/room")} keep={(room) => change({ room })} />
          <Degree label="Flour" value={heat.flour} unit={unit} fault={at("/hands/warmth/flour")} keep={(flour) => change({ flour })} />
        </div>
        <table className="mt-2 w-full border-y border-rule text-sm">
          <thead>
            <tr className="text-xs text-soft">
              <th className="py-1 text-left font-semibold">in the pan</th>
              <th className="pl-3 text-right font-semibold">weight</th>
              <th className="pl-3 text-right font-semibold">heat</th>
              <th className="pl-3 text-right font-semibold">at</th>
              <th className="pl-3 text-right font-semibold">fridge</th>
            </tr>
          </thead>
          <tbody>
            {heat.parts.map((p) => (
              <tr key={p.line} className={`border-t border-rule ${p.sought ? "bg-shelf font-bold" : ""}`}>
                <th scope="row" className="py-1 text-left font-normal">
                  {p.name}
                </th>
                <td className="figures pl-3 text-right">{asListed(p.line) || weight(p.grams)}</td>
                <td className="figures pl-3 text-right">{fixed(p.share, 0)} %</td>
                <td className="figures pl-3 text-right whitespace-nowrap">{p.shown}</td>
                <td className="py-0.5 pl-3 text-right">
                  {!p.sought && !heat.cool && (
                    <Switch
                      checked={p.cold}
                      onChange={(on) => change({ cold: listed(on ? [...cold, p.line] : cold.filter((c) => c !== p.line)) })}
                      className="relative inline-block h-7 w-12 rounded-full border-2 border-rim align-middle data-checked:bg-rim"
                    >
                      <span className="sr-only">{p.name} from the fridge</span>
                      <span
                        aria-hidden="true"
                        className={`block size-5 rounded-full ${p.cold ? "translate-x-5 bg-on-rim" : "translate-x-0.5 bg-rim"}`}
                      />
                    </Switch>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

interface DegreeProps {
  label: string;
  value: string; // "21 °C"
  unit: string;
  fault: string | undefined;
  keep: (reading: string | null) => void;
}

/** A temperature in the kitchen's degrees; what is refused stays in the field. */
function Degree({ label, value, unit, fault, keep }: DegreeProps) {
  return (
    <label className="block text-sm font-semibold">
      {label}
      <span className="mt-1 flex flex-wrap items-center gap-1">
        <Typed
          value={value}
          show={(v) => v.replace(` ${unit}`, "")}
          parse={degrees(unit)}
          keep={(reading, kept) => (reading ? keep(reading) : (keep(null), kept()))}
          fault={fault}
          mode="decimal"
          className="figures h-12 w-20 rounded-tray border-2 border-rim bg-enamel text-center text-lg font-bold aria-invalid:border-signal"
          faultClass="order-last block w-full text-xs font-normal text-signal"
        />
        {unit}
      </span>
    </label>
  );
}
