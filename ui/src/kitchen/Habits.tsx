import type { Kitchen, Problem } from "../client/types.gen";
import { readClock, shown } from "../parts/time";
import { degrees as inDegrees, Typed } from "../parts/Typed";
import { Absences } from "./Absences";
import { Choices } from "./Choices";
import { fieldLook, type SetKitchen } from "./set";

/** How this kitchen measures, and which schools it follows. */
export function Habits({ kitchen, set, fault }: { kitchen: Kitchen; set: SetKitchen; fault: Problem | undefined }) {
  return (
    <div className="grid gap-x-10 gap-y-5 lg:grid-cols-2">
      <Choices
        label="How do you measure?"
        value={kitchen.scale ? "scale" : "scoops"}
        pick={(v) => set({ scale: v === "scale" })}
        choices={[
          ["scoops", "By cups and spoons", "Grams stand beside them."],
          ["scale", "On a scale", "Grams for every line, and what a scale under the pan shows."],
        ]}
      />
      <Choices
        label="Weights"
        value={kitchen.weights}
        pick={(weights) => set({ weights })}
        choices={[
          ["grams", "Grams", "To 1 g; yeast and salt to 0.1 g."],
          ["ounces", "Ounces", "To 0.05 oz; yeast and salt finer."],
        ]}
      />
      <Choices
        label="Temperatures"
        value={kitchen.degrees}
        pick={(degrees) => set({ degrees })}
        choices={[
          ["celsius", "Celsius", "A warm kitchen is 24 °C."],
          ["fahrenheit", "Fahrenheit", "A warm kitchen is 75 °F."],
        ]}
      />
      <Choices
        label="The time of day"
        value={kitchen.face ?? "24 hours"}
        pick={(face) => set({ face })}
        choices={[
          ["24 hours", "24 hours", "Supper is at 19:00."],
          ["12 hours", "am and pm", "Supper is at 7:00 pm."],
        ]}
      />
      <Choices
        label="The week"
        value={kitchen.week === "sunday" || kitchen.week === "saturday" ? kitchen.week : "monday"}
        pick={(week) => set({ week })}
        choices={[
          ["monday", "From Monday", "In the log and on the baking days."],
          ["sunday", "From Sunday", "In the log and on the baking days."],
          ["saturday", "From Saturday", "In the log and on the baking days."],
        ]}
      />
      <Room kitchen={kitchen} set={set} fault={fault?.pointer === "/room" ? fault.detail : undefined} />
      <Choices
        label="The liquid"
        value={kitchen.liquid}
        pick={(liquid) => set({ liquid })}
        choices={[
          ["tepid", "Tepid", "Worked out, so that the dough leaves the kneading at 26 °C (79 °F)."],
          ["room temperature", "As it stands", "Everything at room temperature."],
          ["hot with rapid yeast", "Hot", "For rapid-rise yeast on a rapid cycle; else tepid."],
        ]}
      />
      <Choices
        label="The pan"
        value={kitchen.grease ? "greased" : "bare"}
        pick={(v) => set({ grease: v === "greased" })}
        choices={[
          ["bare", "Bare", "As most pans are meant to be used."],
          ["greased", "Lightly greased", "Where loaves stick."],
        ]}
      />
      <QuietHours kitchen={kitchen} set={set} />
      <Absences kitchen={kitchen} set={set} />
      <label className="block">
        <span className="text-sm font-semibold text-soft">The kitchen’s clock</span>
        <Typed
          value={kitchen.zone}
          show={(v) => v}
          parse={(text) => text.trim() || null}
          fault={fault?.pointer === "/zone" ? fault.detail : undefined}
          keep={(zone, kept) => set({ zone }, kept)}
          say="a zone such as Europe/London"
          className={`${fieldLook} mt-1 block w-64 max-w-full text-lg font-bold`}
          faultClass="block text-sm text-signal"
        />
      </label>
      <Choices
        label="The first look at the dough ball"
        value={kitchen.look ?? ""}
        pick={(look) => set({ look })}
        choices={[
          ["", "Five to ten minutes in", "When it has come together."],
          ["early", "After two or three", "Only a glance: every dough is ragged then."],
          ["late", "Late in the second knead", "When everything has been drunk."],
          ["never", "Never", "The machine is trusted."],
        ]}
      />
      <Choices
        label="Salt"
        value={kitchen.salt}
        pick={(salt) => set({ salt })}
        choices={[
          ["booklet", "As booklets have it", "Holds the yeast back and guards against overflow."],
          ["reduced", "Reduced", "At most 1.4 % of the flour. Rises faster: cut the yeast or watch it."],
        ]}
      />
      <Choices
        label="Yeast in another size"
        value={kitchen.yeast}
        pick={(yeast) => set({ yeast })}
        choices={[
          ["eased", "Eased", "A big dough stays warmer: less than in proportion."],
          ["straight", "Straight", "In proportion to the flour."],
        ]}
      />
      <Choices
        label="Eggs"
        value={kitchen.eggs}
        pick={(eggs) => set({ eggs })}
        choices={[
          ["whole", "Whole", "The nearest whole number; the liquid makes up for the rest."],
          ["part", "Part eggs", "Beaten, and a part used."],
        ]}
      />
      <Choices
        label="Size of your eggs"
        value={kitchen.eggSize}
        pick={(eggSize) => set({ eggSize })}
        choices={[
          ["medium", "Medium", "44 g"],
          ["large", "Large", "50 g"],
          ["extra large", "Extra large", "56 g"],
        ]}
      />
    </div>
  );
}

/** Hours in which no beep should wake anybody. */
function QuietHours({ kitchen, set }: { kitchen: Kitchen; set: SetKitchen }) {
  const { from, to } = kitchen.quiet;
  return (
    <fieldset>
      <legend className="text-sm font-semibold text-soft">Quiet hours, when no beep should wake anybody</legend>
      <div className="mt-1 flex items-center gap-2">
        <ClockField label="Quiet from" value={from} keep={(v, kept) => set({ quiet: { from: v, to } }, kept)} />
        to
        <ClockField label="Quiet until" value={to} keep={(v, kept) => set({ quiet: { from, to: v } }, kept)} />
        <span className="text-sm text-soft">{from === to ? "none" : ""}</span>
      </div>
    </fieldset>
  );
}

function ClockField({ label, value, keep }: { label: string; value: string; keep: (clock: string, kept: () => void) => void }) {
  return (
    <Typed
      value={value}
      show={shown}
      parse={readClock}
      keep={keep}
      label={label}
      say="such as 22:30"
      className={`${fieldLook} w-28 text-center text-lg font-bold`}
    />
  );
}

/** How warm the kitchen usually is. */
function Room({ kitchen, set, fault }: { kitchen: Kitchen; set: SetKitchen; fault: string | undefined }) {
  return (
    <label className="block">
      <span className="text-sm font-semibold text-soft">How warm your kitchen usually is</span>
      <Typed
        value={kitchen.room}
        show={(v) => v}
        parse={inDegrees(kitchen.degrees === "fahrenheit" ? "°F" : "°C")}
        fault={fault}
        keep={(room, kept) => (room === "" ? kept() : set({ room }, kept))}
        className={`${fieldLook} mt-1 block w-32 text-lg font-bold`}
        faultClass="block text-sm text-signal"
      />
    </label>
  );
}
