import { Button, PressLink } from "../parts/Button";
import { usePutAway } from "../client/house";
import { useMachinesAway } from "../client/machines";
import { useShelf } from "../client/queries";
import type { MachineOnShelf } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";
import { Samples } from "../parts/Samples";
import { inHours } from "../parts/time";
import { timers } from "./timers";

/** The machines of the house. */
export default function MachinesScreen() {
  const shelf = useShelf();
  const away = useMachinesAway();
  if (shelf.error && !shelf.data)
    return (
      <div className="p-8">
        <TroubleNote error={shelf.error} />
      </div>
    );
  if (!shelf.data) return <p className="p-8 text-lg text-soft">Loading machines …</p>;
  const { machines } = shelf.data;
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-xl font-bold">Machines</h1>
        <PressLink to="/machines/new" look="filled" size="medium">
          Add a machine
        </PressLink>
      </header>
      <Samples />
      {machines.length === 0 && (
        <p className="mt-4 text-lg text-soft">No machine yet. Add yours with its booklet to hand, or start from a typical one.</p>
      )}
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {machines.map((m) => (
          <li key={m.id} className="flex flex-wrap items-center gap-x-6 py-3">
            <p className="min-w-64 flex-1 text-lg leading-6 font-semibold wrap-anywhere">
              {m.name}
              <span className="block text-sm font-normal text-soft">
                bakes <span className="fraction">{m.sizes.join(", ")}</span> ·{" "}
                {m.delay.rule === "none" || m.delay.step === 0
                  ? "no delay timer"
                  : `${timers[m.delay.rule]}, up to ${inHours(m.delay.largest)} in steps of ${m.delay.step} min`}
              </span>
            </p>
            <p className="flex flex-wrap gap-x-4 font-semibold">
              <PressLink to={`/?machine=${m.id}`}>
                Plan a loaf<span className="sr-only">: {m.name}</span>
              </PressLink>
              <PressLink to={`/machines/${m.id}/compare`}>
                Compare cycles<span className="sr-only">: {m.name}</span>
              </PressLink>
              <PressLink to={`/machines/${m.id}`}>
                Edit<span className="sr-only">: {m.name}</span>
              </PressLink>
              <PutAway machine={m} away={false} />
            </p>
          </li>
        ))}
      </ul>
      {away.data && away.data.machines.length > 0 && (
        <section aria-labelledby="away">
          <h2 id="away" className="mt-6 text-lg font-bold">
            Archived
          </h2>
          <ul className="divide-y divide-rule border-y border-rule">
            {away.data.machines.map((m) => (
              <li key={m.id} className="flex flex-wrap items-center gap-x-6 py-2 text-lg">
                <span className="min-w-64 flex-1 wrap-anywhere">{m.name}</span>
                <PutAway machine={m} away />
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function PutAway({ machine, away }: { machine: MachineOnShelf; away: boolean }) {
  const put = usePutAway(`/machines/${machine.id}`);
  return (
    <>
      <Button disabled={put.isPending} onClick={() => put.mutate(!away)} look="text">
        {away ? "Restore" : "Archive"}
        <span className="sr-only">: {machine.name}</span>
      </Button>
      <TroubleNote error={put.error} />
    </>
  );
}
