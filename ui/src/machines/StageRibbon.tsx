import { useRef, useState } from "react";
import type { MachineStage } from "../client/types.gen";
import { look } from "../parts/stages";
import { inHours } from "../parts/time";

interface Props {
  stages: MachineStage[];
  change: (stages: MachineStage[]) => void;
}

/** A cycle's stages to scale. The end of each can be dragged, or moved by the arrow keys. */
export function StageRibbon({ stages, change }: Props) {
  const ribbon = useRef<HTMLDivElement>(null);
  const [held, hold] = useState<{ stage: number; from: number; minutes: number; perMinute: number } | null>(null);
  const total = stages.reduce((sum, s) => sum + Math.max(0, s.minutes), 0) || 1;
  const set = (n: number, minutes: number) =>
    change(stages.map((s, m) => (m === n ? { ...s, minutes: Math.max(0, Math.round(minutes)) } : s)));
  const ends = stages.map((_, n) => stages.slice(0, n + 1).reduce((sum, s) => sum + Math.max(0, s.minutes), 0));
  return (
    <div className="mt-2">
      <p className="text-sm text-soft">
        In all <b className="figures text-ink">{inHours(total)}</b>; drag the end of a stage, or type its minutes below.
      </p>
      <div
        ref={ribbon}
        className="relative mt-1 flex h-12 touch-none rounded-tray border-2 border-rim"
        onPointerMove={(e) => held && set(held.stage, held.minutes + (e.clientX - held.from) / held.perMinute)}
        onPointerUp={() => hold(null)}
        onPointerCancel={() => hold(null)}
      >
        {stages.map((s, n) => {
          return (
            <div
              key={n}
              style={{ width: `${(100 * Math.max(0, s.minutes)) / total}%` }}
              className={`relative grid place-items-center text-xs font-semibold whitespace-nowrap ${look[s.kind].paint}`}
            >
              <span className={s.minutes / total < 0.14 ? "max-md:hidden" : ""}>
                {s.minutes / total > 0.06 ? `${look[s.kind].name} ${s.minutes}` : ""}
              </span>
              {s.kind !== "knock-back" && ( // whose minute lies too close to the end before it
                <div
                  role="slider"
                  tabIndex={0}
                  aria-label={`End of stage ${n + 1}, ${look[s.kind].name}`}
                  aria-valuenow={s.minutes}
                  aria-valuemin={0}
                  aria-valuemax={1440}
                  aria-valuetext={`${s.minutes} minutes, ends at ${inHours(ends[n] ?? 0)}`}
                  onPointerDown={(e) => {
                    e.currentTarget.parentElement?.parentElement?.setPointerCapture(e.pointerId);
                    hold({ stage: n, from: e.clientX, minutes: s.minutes, perMinute: (ribbon.current?.clientWidth ?? 600) / total });
                  }}
                  onKeyDown={(e) => {
                    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[e.key];
                    if (by === undefined) return;
                    e.preventDefault();
                    set(n, s.minutes + by);
                  }}
                  className="absolute inset-y-0 -right-1.5 z-10 w-3 cursor-ew-resize rounded border border-rim bg-enamel"
                />
              )}
            </div>
          );
        })}
      </div>
    </div>
  );
}
