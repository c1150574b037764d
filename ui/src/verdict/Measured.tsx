import type { BakeView } from "../client/types.gen";
import { CrustSwatch } from "../parts/CrustSwatch";
import { onRuler, ruler, scale, thermometer, upTo } from "../parts/figures";
import { Segments } from "../parts/Segments";
import { between, box, degrees, Typed } from "../parts/Typed";
import { MachineCrust } from "../client/words.gen";
import type { Verdict } from "./told";

interface Props {
  told: Verdict;
  set: (part: Partial<Verdict>) => void;
  plan: BakeView["plan"];
  goes: BakeView["goes"]; // what can have gone otherwise
}

/** What can be measured of the loaf and told of the day. All of it may be left out. */
export function Measured({ told, set, plan, goes }: Props) {
  const happened = told.mishaps ?? [];
  return (
    <>
      {plan.setting.hasCrust && (
        <div className="mt-4 flex flex-wrap items-center gap-3">
          <span className="font-semibold">The crust came out</span>
          <Segments
            label="The crust came out"
            look="apart"
            value={told.crust ?? ""}
            pick={(crust) => set({ crust: MachineCrust.find((c) => c === crust) })}
            className="min-h-12 gap-2 px-4 font-semibold"
            segments={MachineCrust.map((c) => ({
              value: c,
              label: c,
              show: (
                <>
                  <CrustSwatch crust={c} />
                  {c}
                </>
              ),
            }))}
          />
          {told.crust && told.crust !== plan.setting.crust && <span className="text-soft">It was set to {plan.setting.crust}.</span>}
        </div>
      )}
      <div className="mt-4 grid gap-x-8 gap-y-2 sm:grid-cols-2">
        <Number label="It was cut after, minutes" value={told.cutAfter} least={0} most={72 * 60} keep={(cutAfter) => set({ cutAfter })} />
        <OnScale label="It weighs" value={told.weight} keep={(weight) => set({ weight })} />
        <OverRim label="Its middle over the rim" value={told.centre} keep={(centre) => set({ centre })} />
        <OverRim label="Its edges over the rim" value={told.sides} keep={(sides) => set({ sides })} />
        <Warmth label="How warm the kitchen was" value={told.room} such={21} keep={(room) => set({ room })} />
        <Warmth label="How warm the liquid was" value={told.liquid} such={25} keep={(liquid) => set({ liquid })} />
        <Warmth label="How hot its middle was at the end" value={told.core} such={94} keep={(core) => set({ core })} />
        <Tick on={!!told.damp} turn={(damp) => set({ damp })}>
          The day was damp
        </Tick>
      </div>
      <fieldset className="mt-4">
        <legend className="font-semibold">Did anything go wrong?</legend>
        <div className="grid gap-x-8 sm:grid-cols-2">
          {[...new Set([...goes, ...happened])].map((m) => (
            <Tick
              key={m}
              on={happened.includes(m)}
              turn={(on) => set({ mishaps: on ? [...happened, m] : happened.filter((other) => other !== m) })}
            >
              {m.charAt(0).toUpperCase() + m.slice(1)}
            </Tick>
          ))}
        </div>
      </fieldset>
    </>
  );
}

/** A temperature that may be left out, in the kitchen's degrees or with a unit of its own. */
function Warmth({
  label,
  value,
  such,
  keep,
}: {
  label: string;
  value: string | undefined;
  such: number;
  keep: (t: string | undefined) => void;
}) {
  const { unit } = thermometer();
  return (
    <label className="flex items-center justify-between gap-2">
      {label}
      <Typed
        value={value ?? ""}
        show={(t) => t}
        parse={(text) => (/^(-?\d+([.,]\d+)?\s*(°?\s*[cf])?)?$/i.test(text.trim()) ? degrees(unit)(text) : null)}
        say={`such as ${unit === "°F" ? Math.round(such * 1.8 + 32) : such} ${unit}`}
        keep={(t, kept) => {
          keep(t || undefined);
          kept();
        }}
        placeholder="–"
        className={`figures h-12 w-28 text-center text-lg font-bold ${box}`}
      />
    </label>
  );
}

function Tick({ on, turn, children }: { on: boolean; turn: (on: boolean) => void; children: React.ReactNode }) {
  return (
    <label className="flex min-h-11 items-center gap-3">
      <input type="checkbox" checked={on} onChange={(e) => turn(e.target.checked)} className="size-6 accent-rim" />
      {children}
    </label>
  );
}

interface OfLoafProps {
  label: string;
  value: number | undefined; // mm over the rim, or g
  keep: (measured: number | undefined) => void;
}

/** How high a part of the loaf stands, by this kitchen's ruler. */
function OverRim({ label, value, keep }: OfLoafProps) {
  const { unit, mm } = ruler();
  const [least, most] = [-180, 120];
  return (
    <Figure
      label={`${label}, ${unit}`}
      hint="− is under"
      value={value}
      show={onRuler}
      parse={(text) => {
        const read = between(least / mm, most / mm)(text.replace("−", "-"));
        return read === null ? null : Math.round(read * mm);
      }}
      say={`${Math.ceil(least / mm)} to ${Math.floor(most / mm)}`}
      mode="text"
      keep={keep}
    />
  );
}

/** What the loaf weighs, by this kitchen's scale. */
function OnScale({ label, value, keep }: OfLoafProps) {
  const { name, g } = scale();
  return (
    <Figure
      label={`${label}, ${name}`}
      value={value}
      show={(grams) => (grams === 0 ? "" : upTo(grams / g, 1))}
      parse={(text) => {
        const read = between(0, heaviest / g)(text);
        return read === null ? null : Math.round(read * g);
      }}
      say={`0 to ${Math.floor(heaviest / g)}`}
      mode="decimal"
      keep={keep}
    />
  );
}

const heaviest = 3000; // g

interface NumberProps {
  label: string;
  value: number | undefined;
  least: number;
  most: number;
  keep: (n: number | undefined) => void;
}

/** A whole number that may be left out. */
function Number({ label, value, least, most, keep }: NumberProps) {
  return (
    <Figure
      label={label}
      value={value}
      show={(n) => (n === 0 && least === 0 ? "" : String(n))}
      parse={(text) => {
        const n = between(least, most)(text);
        return n === null ? null : Math.round(n);
      }}
      say={`${least} to ${most}`}
      mode="numeric"
      keep={keep}
    />
  );
}

interface FigureProps {
  label: string;
  hint?: string;
  value: number | undefined;
  show: (n: number) => string;
  parse: (text: string) => number | null;
  say: string;
  mode: "numeric" | "decimal" | "text";
  keep: (n: number | undefined) => void;
}

/** A figure that may be left out. */
function Figure({ label, hint, value, show, parse, say, mode, keep }: FigureProps) {
  return (
    <label className="flex items-center justify-between gap-2">
      <span>
        {label} {hint && <span className="text-sm text-soft">{hint}</span>}
      </span>
      <Typed<number | undefined>
        value={value}
        show={(n) => (n === undefined ? "" : show(n))}
        parse={(text) => (text.trim() === "" ? undefined : parse(text))}
        say={say}
        mode={mode}
        keep={keep}
        live
        placeholder="–"
        className={`figures h-12 w-24 text-center text-lg font-bold ${box}`}
      />
    </label>
  );
}
