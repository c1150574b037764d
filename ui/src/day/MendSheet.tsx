import { Button } from "../parts/Button";
import type { DayPlanned } from "../client/types.gen";
import { Sheet } from "../parts/Sheet";
import { TroubleNote } from "../parts/Trouble";
import { useChangeDay, useMends } from "./queries";

/** What would have a loaf nearer to its time, each with how the day then comes out. */
export function MendSheet({ date, loaf, close }: { date: string; loaf: DayPlanned; close: () => void }) {
  const mends = useMends(date, loaf.id);
  const { change } = useChangeDay(date);
  return (
    <Sheet title={`What would help ${loaf.name}?`} close={close}>
      <TroubleNote error={mends.error ?? change.error} />
      {!mends.data && !mends.error && (
        <p role="status" className="mt-3 text-lg text-soft">
          Planning the day in other ways …
        </p>
      )}
      {mends.data?.mends.length === 0 && <p className="mt-3 text-lg">No other cycle, machine, bag or time would help.</p>}
      <ul className="mt-3 divide-y divide-rule border-y border-rule empty:hidden">
        {mends.data?.mends.map((m) => (
          <li key={m.say} className="py-2">
            <p className="text-lg leading-6 font-semibold">{m.say}</p>
            <p className="text-base text-soft">Then: {m.then}</p>
            {m.book && (
              <Button disabled={change.isPending} onClick={() => m.book && change.mutate(m.book, { onSuccess: close })} className="mt-1">
                Apply<span className="sr-only">: {m.say}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Button onClick={close} look="filled" size="medium" className="mt-4">
        Leave as it is
      </Button>
    </Sheet>
  );
}
