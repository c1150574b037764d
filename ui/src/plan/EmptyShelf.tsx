import { useLoadDemo } from "../client/queries";
import { Sprig } from "../parts/Sprig";
import { TroubleNote } from "../parts/Trouble";

/** A kitchen without machines or recipes: the first step. */
export function EmptyShelf({ kitchen }: { kitchen: string }) {
  const load = useLoadDemo();
  return (
    <div className="m-auto max-w-xl p-8 text-center">
      <Sprig className="mx-auto w-40" />
      <h1 className="mt-4 text-xl font-bold">{kitchen} has no machine and no recipe yet</h1>
      <p className="mt-2 text-lg text-soft">
        Begin by looking round with two machines and eight recipes of an invented kitchen, Heron Lock.
      </p>
      <button
        type="button"
        onClick={() => load.mutate()}
        disabled={load.isPending}
        className="mt-6 min-h-14 rounded-tray bg-rim px-6 text-lg font-bold text-on-rim"
      >
        {load.isPending ? "Loading …" : "Put them on the shelf"}
      </button>
      <div className="mt-4">
        <TroubleNote error={load.error} />
      </div>
    </div>
  );
}
