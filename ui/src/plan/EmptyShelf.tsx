import { Check } from "lucide-react";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { useLoadDemo } from "../client/house";
import type { Shelf } from "../client/types.gen";
import { Sprig } from "../parts/Sprig";
import { TroubleNote } from "../parts/Trouble";

const door =
  "flex min-h-16 w-full items-center gap-4 rounded-tray border-2 border-rim px-5 py-2 text-left hover:bg-shelf disabled:border-rule disabled:text-soft";

/** A kitchen in which no loaf can be planned yet: three doors, and which of them were gone through. */
export default function EmptyShelf({ shelf }: { shelf: Shelf }) {
  const load = useLoadDemo();
  const machine = shelf.machines.length > 0;
  const recipe = shelf.recipes.length > 0;
  const missing = [!machine && "no machine", !recipe && "no recipe"].filter(Boolean).join(" and ");
  return (
    <div className="m-auto w-full max-w-xl p-8">
      <Sprig className="mx-auto w-40" />
      <h1 className="mt-4 text-center text-xl font-bold">
        {shelf.kitchen.name} has {missing} yet
      </h1>
      <ol className="mt-6 grid gap-3">
        <li>
          <Link to="/machines/new" className={door}>
            <Words done={machine} name="Add my bread machine">
              Its name, sizes and cycles; the total times will do to begin with.
            </Words>
          </Link>
        </li>
        <li>
          <Link to="/recipes/new" className={door}>
            <Words done={recipe} name="Write or paste a recipe">
              As it stands on the card, the packet or in the booklet.
            </Words>
          </Link>
        </li>
        {!machine && !recipe && (
          <li>
            <button type="button" onClick={() => load.mutate()} disabled={load.isPending} className={door}>
              <Words name={load.isPending ? "Loading …" : "Look round the demo kitchen"}>
                Two machines and ten recipes to try; you can archive them later.
              </Words>
            </button>
          </li>
        )}
      </ol>
      <div className="mt-4">
        <TroubleNote error={load.error} />
      </div>
    </div>
  );
}

function Words({ done, name, children }: { done?: boolean; name: string; children: ReactNode }) {
  return (
    <>
      <span className="flex-1">
        <b className="block text-lg text-rim">{name}</b>
        <span className="block text-sm text-soft">{children}</span>
      </span>
      {done && (
        <span className="flex items-center gap-1 text-sm font-semibold text-leaf">
          <Check size={20} aria-hidden="true" />
          done
        </span>
      )}
    </>
  );
}
