import { Link } from "react-router";
import { useShelf } from "../client/queries";
import { TroubleNote } from "../parts/Trouble";
import { inHours } from "../parts/time";

/** The machines of the house. */
export default function MachinesScreen() {
  const shelf = useShelf();
  if (shelf.error && !shelf.data) return <div className="p-8"><TroubleNote error={shelf.error} /></div>;
  if (!shelf.data) return <p className="p-8 text-lg text-soft">Looking along the worktop …</p>;
  const { machines } = shelf.data;
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-xl font-bold">Machines</h1>
        <Link to="/machines/new" className="grid min-h-12 place-items-center rounded-tray bg-rim px-6 font-semibold text-on-rim">Describe another</Link>
      </header>
      {machines.length === 0 && <p className="mt-4 text-lg text-soft">No machine yet. Take its booklet and describe it; a typical one to begin from is there.</p>}
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {machines.map((m) => (
          <li key={m.id} className="flex flex-wrap items-center gap-x-6 py-3">
            <p className="min-w-64 flex-1 text-lg leading-6 font-semibold">
              {m.name}
              <span className="block text-sm font-normal text-soft">
                bakes <span className="fraction">{m.sizes.join(", ")}</span> · {m.delay.rule === "none" || m.delay.step === 0 ? "no delay timer" : `${m.delay.rule} timer, up to ${inHours(m.delay.largest)} in steps of ${m.delay.step} min`}
              </span>
            </p>
            <p className="flex flex-wrap gap-4 font-semibold">
              <Link to={`/?machine=${m.id}`} className="min-h-11 content-center text-rim underline">Plan on it<span className="sr-only">: {m.name}</span></Link>
              <Link to={`/machines/${m.id}/compare`} className="min-h-11 content-center text-rim underline">Compare its cycles<span className="sr-only">: {m.name}</span></Link>
              <Link to={`/machines/${m.id}`} className="min-h-11 content-center text-rim underline">Change it<span className="sr-only">: {m.name}</span></Link>
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}
