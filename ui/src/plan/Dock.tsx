import type { PlanAnswer, Wish } from "../client/types.gen";
import { clock, day, dayName } from "../parts/time";
import { ToBench, useToBench } from "./ToBench";

/** On a phone, always in sight: when it is ready, and the way to the bench. */
export function Dock({ answer, wish, stale }: { answer: PlanAnswer; wish: Wish; stale: boolean }) {
  const bench = useToBench(answer, wish, stale);
  const { plan, zone, now } = answer;
  const done = plan.eaten ?? plan.timer.ready;
  return (
    <div className="flex items-center gap-3 border-t-2 border-rim bg-enamel px-4 py-2 md:hidden">
      <p className="min-w-0 flex-1 leading-6">
        <span className="text-sm text-soft">
          {plan.eaten ? "Eaten" : "Ready"} {dayName(day(done, zone), day(now, zone))}
        </span>
        <b className="figures block text-xl leading-8">{clock(done, zone)}</b>
      </p>
      <ToBench bench={bench} className="px-6" />
    </div>
  );
}
