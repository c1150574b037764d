import { useShelf } from "../client/queries";
import type { BakeView } from "../client/types.gen";
import { CrustSwatch } from "../parts/CrustSwatch";
import { Segments } from "../parts/Segments";
import { between, box, degrees, Typed } from "../parts/Typed";
import type { Verdict } from "./told";

const crusts = ["light", "medium", "dark"] as const;
const mishaps: NonNullable<Verdict["mishaps"]> = [
  "the lid was opened while it rose or baked",
  "something was left out",
  "something went in twice, or too much",
];

interface Props {
  told: Verdict;
  set: (part: Partial<Verdict>) => void;
  plan: BakeView["plan"];
}

/** What can be measured of the loaf and told of the day. All of it may be left out. */
export function Measured({ told, set, plan }: Props) {
  const unit = useShelf().data?.kitchen.degrees === "fahrenheit" ? "°F" : "°C";
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
            pick={(crust) => set({ crust: crusts.find((c) => c === crust) })}
            className="min-h-12 gap-2 px-4 font-semibold"
            segments={crusts.map((c) => ({
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
        <Number label="It weighs, grams" value={told.weight} least={0} most={3000} keep={(weight) => set({ weight })} />
        <Number
          label="Its middle over the rim, mm"
          hint="− is under"
          value={told.centre}
          least={-180}
          most={120}
          keep={(centre) => set({ centre })}
        />
        <Number
          label="Its edges over the rim, mm"
          hint="− is under"
          value={told.sides}
          least={-180}
          most={120}
          keep={(sides) => set({ sides })}
        />
        <label className="flex items-center justify-between gap-2">
          How warm the kitchen was
          <Typed
            value={told.room ?? ""}
            show={(room) => room}
            parse={(text) => (/^(-?\d+([.,]\d+)?\s*(°?\s*[cf])?)?$/i.test(text.trim()) ? degrees(unit)(text) : null)}
            say={`such as 21 ${unit}`}
            keep={(room, kept) => {
              set({ room: room || undefined });
              kept();
            }}
            placeholder="–"
            className={`figures h-12 w-28 text-center text-lg font-bold ${box}`}
          />
        </label>
        <Tick on={!!told.damp} turn={(damp) => set({ damp })}>
          The day was damp
        </Tick>
      </div>
      <fieldset className="mt-4">
        <legend className="font-semibold">Did anything go otherwise?</legend>
        {mishaps.map((m) => (
          <Tick
            key={m}
            on={happened.includes(m)}
            turn={(on) => set({ mishaps: on ? [...happened, m] : happened.filter((other) => other !== m) })}
          >
            {m.charAt(0).toUpperCase() + m.slice(1)}
          </Tick>
        ))}
      </fieldset>
    </>
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

interface NumberProps {
  label: string;
  hint?: string;
  value: number | undefined;
  least: number;
  most: number;
  keep: (n: number | undefined) => void;
}

/** A whole number that may be left out. */
function Number({ label, hint, value, least, most, keep }: NumberProps) {
  const whole = (text: string) => {
    const n = between(least, most)(text.replace("−", "-"));
    return n === null ? null : Math.round(n);
  };
  return (
    <label className="flex items-center justify-between gap-2">
      <span>
        {label} {hint && <span className="text-sm text-soft">{hint}</span>}
      </span>
      <Typed<number | undefined>
        value={value}
        show={(n) => (n === undefined || (n === 0 && least === 0) ? "" : String(n))}
        parse={(text) => (text.trim() === "" ? undefined : whole(text))}
        say={`${least} to ${most}`}
        mode={least < 0 ? "text" : "numeric"}
        keep={keep}
        live
        placeholder="–"
        className={`figures h-12 w-24 text-center text-lg font-bold ${box}`}
      />
    </label>
  );
}
