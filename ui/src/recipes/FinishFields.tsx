import type { RecipeFinish } from "../client/types.gen";
import { between, box, Typed } from "../parts/Typed";

/** What a dough still wants after the machine; what is left empty is as usual. */
const usual: RecipeFinish = { shape: 15, rise: 40, oven: 20 };
const asked = { shape: "shaping", rise: "the last rise", oven: "in the oven" } as const;

export function FinishFields({
  finish = usual,
  change,
  fault,
}: {
  finish: RecipeFinish | undefined;
  change: (finish: RecipeFinish) => void;
  fault: (pointer: string) => string | undefined;
}) {
  return (
    <fieldset className="mt-2">
      <legend className="font-semibold">After the machine, in minutes</legend>
      <div className="flex flex-wrap gap-4">
        {(["shape", "rise", "oven"] as const).map((part) => (
          <label key={part} className="text-sm text-soft">
            {asked[part]}
            <Typed
              value={finish[part]}
              show={String}
              parse={between(0, 1440)}
              keep={(minutes, kept) => {
                change({ ...finish, [part]: Math.round(minutes) });
                kept();
              }}
              say="0 to 1440"
              fault={fault(`/finish/${part}`)}
              mode="numeric"
              className={`${box} figures block h-12 w-24 text-right text-lg font-bold text-ink`}
            />
          </label>
        ))}
      </div>
    </fieldset>
  );
}
