import type { Kitchen } from "../client/types.gen";
import { fixed } from "../parts/figures";
import { Choices } from "./Choices";
import type { SetKitchen } from "./set";

/** How this kitchen measures, and how it writes what it measures. */
export function Units({ kitchen, set }: { kitchen: Kitchen; set: SetKitchen }) {
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
        label="English"
        value={kitchen.english ?? "british"}
        pick={(english) => set({ english })}
        choices={[
          ["british", "British", "Wholemeal and plain flour; 28 March; A4 paper."],
          ["american", "American", "Whole wheat and all-purpose flour; March 28; Letter paper."],
        ]}
      />
      <Choices
        label="Weights"
        value={kitchen.weights}
        pick={(weights) => set({ weights })}
        choices={[
          ["grams", "Grams", `To 1 g; yeast and salt to ${fixed(0.1, 1)} g.`],
          ["ounces", "Ounces", `To ${fixed(0.05, 2)} oz; yeast and salt finer.`],
        ]}
      />
      <Choices
        label="Temperatures"
        value={kitchen.degrees}
        pick={(degrees) => set({ degrees })}
        choices={[
          ["celsius", "Celsius", "A warm kitchen is 24 °C."],
          ["fahrenheit", "Fahrenheit", "A warm kitchen is 75 °F."],
        ]}
      />
      <Choices
        label="The time of day"
        value={kitchen.face ?? "24 hours"}
        pick={(face) => set({ face })}
        choices={[
          ["24 hours", "24 hours", "Supper is at 19:00."],
          ["12 hours", "am and pm", "Supper is at 7:00 pm."],
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
      <Choices
        label="Lengths"
        value={kitchen.lengths ?? "centimetres"}
        pick={(lengths) => set({ lengths })}
        choices={[
          ["centimetres", "Centimetres", "A loaf stands 12 mm over the rim."],
          ["inches", "Inches", `A loaf stands ${fixed(0.5, 1)} in over the rim.`],
        ]}
      />
      <Choices
        label="Decimals"
        value={kitchen.decimal ?? "point"}
        pick={(decimal) => set({ decimal })}
        choices={[
          ["point", "After a point", "6.2 g of salt."],
          ["comma", "After a comma", "6,2 g of salt."],
        ]}
      />
    </div>
  );
}
