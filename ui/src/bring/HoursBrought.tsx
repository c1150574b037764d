import { Button } from "../parts/Button";
import { useState } from "react";
import { useKeepBrought } from "../client/house";
import type { Brought } from "../client/types.gen";
import { clock, day, dayName } from "../parts/time";
import { useNow } from "../client/clock";
import { TroubleNote } from "../parts/Trouble";
import { Done } from "./CardsBrought";
import { newKey } from "../client/key";

/** The hours that a calendar shows as taken: each is taken for one in which nobody is home, or left out. */
export function HoursBrought({ calendar }: { calendar: NonNullable<Brought["calendar"]> }) {
  const [key] = useState(() => newKey());
  const [out, leave] = useState<number[]>([]);
  const keep = useKeepBrought();
  const now = useNow();
  const { absences, faults, zone } = calendar;
  if (keep.data) return <Done done={keep.data} />;
  const taken = absences.filter((_, n) => !out.includes(n));
  const today = day(now, zone);
  const on = (at: string) => `${dayName(day(at, zone), today)} ${clock(at, zone)}`;
  return (
    <section aria-label="What was understood" className="mt-2">
      {faults?.map((f) => (
        <p key={f} className="border-l-4 border-signal pl-3">
          Not read: {f}.
        </p>
      ))}
      <p className="text-lg">In these hours nobody is home. The plan then says what falls into them.</p>
      <ul className="mt-1 divide-y divide-rule border-y border-rule">
        {absences.map((a, n) => (
          <li key={`${a.from} ${a.name ?? ""}`}>
            <label className="flex min-h-11 items-center gap-3">
              <input
                type="checkbox"
                checked={!out.includes(n)}
                onChange={(e) => leave(e.target.checked ? out.filter((o) => o !== n) : [...out, n])}
                className="size-6 accent-rim"
              />
              <span className="figures">
                {on(a.from)} to {on(a.to)}
              </span>
              <b className="wrap-anywhere">{a.name}</b>
            </label>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <Button
          disabled={taken.length === 0 || keep.isPending}
          onClick={() => keep.mutate({ body: { absences: taken }, key })}
          look="filled"
          size="large"
        >
          {keep.isPending ? "Saving …" : taken.length === 1 ? "Save 1 absence" : `Save ${taken.length} absences`}
        </Button>
        {absences.length === 0 && <p className="text-soft">No events in the next 60 days.</p>}
        <TroubleNote error={keep.error} />
      </div>
    </section>
  );
}
