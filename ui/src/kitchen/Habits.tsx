import type { Kitchen, Problem } from "../client/types.gen";
import { fixed, thermometer, warmth, weight } from "../parts/figures";
import { degrees as inDegrees, Typed } from "../parts/Typed";
import { Choices } from "./Choices";
import { fieldLook, type SetKitchen } from "./set";

/** How this kitchen bakes: the schools that it follows. */
export function Habits({ kitchen, set, fault }: { kitchen: Kitchen; set: SetKitchen; fault: Problem | undefined }) {
  return (
    <div className="grid gap-x-10 gap-y-5 lg:grid-cols-2">
      <Choices
        label="The liquid"
        value={kitchen.liquid}
        pick={(liquid) => set({ liquid })}
        choices={[
          ["tepid", "Tepid", `Worked out, so that the dough leaves the kneading at ${warmth(26)}.`],
          ["room temperature", "Room temperature", "Everything at room temperature."],
          ["hot with rapid yeast", "Hot", "For rapid-rise yeast on a rapid cycle; else tepid."],
        ]}
      />
      <Room kitchen={kitchen} set={set} fault={fault?.pointer === "/room" ? fault.detail : undefined} />
      <Choices
        label="The pan"
        value={kitchen.grease ? "greased" : "bare"}
        pick={(v) => set({ grease: v === "greased" })}
        choices={[
          ["bare", "Not greased", "As most pans are meant to be used."],
          ["greased", "Lightly greased", "Where loaves stick."],
        ]}
      />
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
          ["reduced", "Reduced", `At most ${fixed(1.4, 1)} % of the flour. Rises faster: cut the yeast or watch it.`],
        ]}
      />
      <Choices
        label="Yeast in another size"
        value={kitchen.yeast}
        pick={(yeast) => set({ yeast })}
        choices={[
          ["eased", "Less than in proportion", "A big dough stays warmer, and rises faster."],
          ["straight", "In proportion", "In proportion to the flour."],
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
          ["medium", "Medium", weight(44)],
          ["large", "Large", weight(50)],
          ["extra large", "Extra large", weight(56)],
        ]}
      />
    </div>
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
        parse={inDegrees(thermometer().unit)}
        fault={fault}
        keep={(room, kept) => (room === "" ? kept() : set({ room }, kept))}
        className={`${fieldLook} mt-1 block w-32 text-lg font-bold`}
        faultClass="block text-sm text-signal"
      />
    </label>
  );
}
