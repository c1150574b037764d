import type { Kitchen, Problem } from "../client/types.gen";
import { MeasureGlyph } from "../parts/MeasureGlyph";
import { box, Typed } from "../parts/Typed";
import type { SetKitchen } from "./set";

const usual = { step: "1/8 cup", holds: "2 cup" };

/** A jug off whose marks liquids are read, with its step from mark to mark. */
export function JugFields({ jug, set, fault }: { jug: Kitchen["jug"]; set: SetKitchen; fault: Problem | undefined }) {
  const at = (pointer: string) => (fault?.pointer === pointer ? fault.detail : undefined);
  return (
    <div className="mt-2 flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1 text-sm">
      <label className="flex min-h-11 items-center gap-2 font-semibold">
        <input
          type="checkbox"
          checked={!!jug}
          onChange={(e) => set({ jug: e.target.checked ? usual : undefined })}
          className="size-6 accent-rim"
        />
        <MeasureGlyph kind="jug" />A jug with marks, for liquids
      </label>
      {jug &&
        (["step", "holds"] as const).map((part) => (
          <label key={part} className="flex items-center gap-2">
            {part === "step" ? "from mark to mark" : "it holds"}
            <Typed
              value={jug[part]}
              show={(v) => v}
              parse={(text) => text.trim() || null}
              keep={(v, kept) => set({ jug: { ...jug, [part]: v } }, kept)}
              fault={at(`/jug/${part}`)}
              say="such as 1/8 cup or 25 ml"
              className={`${box} figures h-11 w-24 font-bold`}
            />
          </label>
        ))}
    </div>
  );
}
