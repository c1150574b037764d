import { Link, useParams } from "react-router";
import { useBench, useShelf } from "../client/queries";
import { TroubleNote } from "../parts/Trouble";
import { Bench } from "./Bench";

/** Measuring and loading, one step at a time. */
export default function BenchScreen() {
  const { id } = useParams();
  const bench = useBench(id);
  const shelf = useShelf();
  if (id) {
    if (bench.error && !bench.data) return <div className="p-8"><TroubleNote error={bench.error} /></div>;
    if (!bench.data) return <p className="p-8 text-lg text-soft">Clearing the worktop …</p>;
    return <Bench key={id} bench={bench.data} />;
  }
  const open = shelf.data?.bench;
  return (
    <div className="p-8">
      <h1 className="text-xl font-bold">Bench</h1>
      {open ? (
        <p className="mt-2 text-lg">
          {open.recipe} is half measured. <Link to={`/bench/${open.id}`} className="inline-block min-h-14 content-center font-semibold text-rim underline">Go on with it</Link>
        </p>
      ) : <p className="mt-2 text-lg text-soft">Nothing is being measured. Plan a loaf, then press “To the bench”.</p>}
      <p className="mt-4"><Link to="/" className="inline-grid min-h-14 place-items-center rounded-tray bg-rim px-6 text-lg font-bold text-on-rim">Plan a loaf</Link></p>
    </div>
  );
}
