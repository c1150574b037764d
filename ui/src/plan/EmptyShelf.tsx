import { Check } from "lucide-react";
import { Link } from "react-router";
import { useLoadDemo } from "../client/house";
import type { Shelf } from "../client/types.gen";
import { Button } from "../parts/Button";
import { Sprig } from "../parts/Sprig";
import { TroubleNote } from "../parts/Trouble";

/** The first page: what this is, the sample kitchen, and the three steps to a first plan. */
export default function EmptyShelf({ shelf }: { shelf: Shelf }) {
  const load = useLoadDemo();
  const machine = shelf.machines.length > 0;
  const recipe = shelf.recipes.length > 0;
  const steps = [
    {
      name: "Your machine",
      says: "Its sizes, and the table of cycles from its booklet. Two minutes.",
      to: "/machines/new",
      done: machine,
    },
    { name: "A recipe", says: "Paste one, or type it as it stands on the card.", to: "/recipes/new", done: recipe },
    { name: "Your first plan", says: "What to measure, what to press, and when the bread is done.", to: "", done: false },
  ];
  const next = steps.findIndex((s) => !s.done);
  return (
    <div className="m-auto w-full max-w-2xl p-6 md:p-8">
      <Sprig className="mx-auto w-40" />
      <h1 className="mt-2 text-center text-xl font-bold text-balance md:text-2xl">From a recipe to a loaf on your bread machine</h1>
      <p className="mx-auto mt-2 max-w-xl text-center text-lg text-balance">
        Rise Pan works out what your own cups measure, what to press and when the bread is ready, and learns from how each loaf came out.
      </p>
      <h2 className="mt-8 text-lg font-bold">Set up {shelf.kitchen.name === "My kitchen" ? "my kitchen" : shelf.kitchen.name}</h2>
      <ol className="mt-1 divide-y divide-rule border-y border-rule">
        {steps.map((s, n) => (
          <li key={s.name} className="flex min-h-18 flex-wrap items-center justify-end gap-x-4 gap-y-2 py-2">
            <span
              className={`figures grid size-10 shrink-0 place-items-center rounded-full border-2 text-lg font-bold ${
                s.done ? "border-leaf text-leaf" : n === next ? "border-rim bg-rim text-on-rim" : "border-rule text-soft"
              }`}
            >
              {s.done ? <Check size={24} aria-label="done" /> : n + 1}
            </span>
            <span className="min-w-56 flex-1">
              <b className="block text-lg">{s.name}</b>
              <span className="block text-soft">{s.says}</span>
            </span>
            {s.to && !s.done && (
              <Link
                to={s.to}
                className={`grid min-h-12 place-items-center rounded-tray px-5 font-bold ${
                  n === next ? "bg-rim text-on-rim" : "border-2 border-rim text-rim hover:bg-shelf"
                }`}
              >
                {n === 0 ? "Add my machine" : "Add a recipe"}
              </Link>
            )}
          </li>
        ))}
      </ol>
      {!machine && !recipe && (
        <>
          <h2 className="mt-8 text-lg font-bold">Or look around first</h2>
          <p className="flex flex-wrap items-center justify-between gap-4">
            <span className="min-w-0 flex-1 text-soft">
              Two machines and some recipes to try everything on. You can remove the samples later with one tap.
            </span>
            <Button size="medium" onClick={() => load.mutate()} disabled={load.isPending}>
              {load.isPending ? "Loading …" : "Try it with the sample kitchen"}
            </Button>
          </p>
        </>
      )}
      <div className="mt-4">
        <TroubleNote error={load.error} />
      </div>
    </div>
  );
}
