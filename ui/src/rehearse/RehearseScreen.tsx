import { Button } from "../parts/Button";
import { Link, useParams } from "react-router";
import { useInRehearsal, useKeepRehearsal, useRehearsal, useRehearsed } from "../client/rehearsals";
import type { BakeView, RehearsalView, RehearseState } from "../client/types.gen";
import { clock, display } from "../parts/time";
import { Segments } from "../parts/Segments";
import { TroubleNote } from "../parts/Trouble";
import { DoughBall } from "../watch/DoughBall";
import { DueNow } from "../watch/DueNow";
import { Moments } from "../watch/Moments";
import { Begin } from "./Begin";
import { Panel } from "./Panel";
import { Window } from "./Window";

/** A bake without flour: the stand-in's panel to press, its window to look through, and what a real bake would ask. */
export default function RehearseScreen() {
  const { id } = useParams();
  return id ? <Practice key={id} id={id} /> : <Begin />;
}

function Practice({ id }: { id: string }) {
  const whole = useRehearsal(id);
  if (whole.error && !whole.data)
    return (
      <div className="p-8">
        <TroubleNote error={whole.error} />
      </div>
    );
  if (!whole.data) return <p className="p-8 text-lg text-soft">Setting up the practice machine …</p>;
  return <Running view={whole.data} />;
}

const paces = [
  { value: 0, name: "stand still" },
  { value: 1, name: "×1" },
  { value: 10, name: "×10" },
  { value: 60, name: "×60" },
  { value: 600, name: "×600" },
];

function Running({ view }: { view: RehearsalView }) {
  const stands = useRehearsed(view.id);
  const does = useInRehearsal(view.id);
  const state = stands.data?.state ?? view.state;
  const now = Date.parse(state.now);
  const bake = asBake(view, state);
  const wait = does.isPending;
  return (
    <div className="flex min-h-full flex-col gap-3 px-6 py-3">
      <header className="flex flex-wrap items-center gap-x-6 gap-y-1">
        <h1 className="text-xl font-bold">Practice: {view.plan.recipe}</h1>
        <p className="text-lg text-soft">nothing is baked{view.slip && <b className="text-ink">, with {view.slip}</b>}</p>
        <p className="text-lg">
          <span className="text-soft">its clock </span>
          <b className="figures text-xl" data-clock>
            {clock(state.now, view.zone)}
          </b>
        </p>
        <Segments
          label="How fast its clock runs"
          value={state.pace}
          pick={(pace) => does.mutate({ what: "paced", pace })}
          className="grid min-h-11 min-w-14 place-items-center px-2 text-sm font-semibold"
          segments={paces.map((p) => ({ value: p.value, label: p.name, show: p.name }))}
        />
      </header>
      <div className="grid gap-6 lg:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]">
        <Panel view={view} state={state} press={(button, held) => does.mutate({ what: "pressed", button, held })} wait={wait} />
        <Window state={state} pan={view.plan.pan} />
      </div>
      <TroubleNote error={does.error ?? stands.error} />
      {state.waits && !state.loaf && (
        <p className="flex flex-wrap items-center gap-x-4 text-lg">
          The clock stands still until you have answered: {state.waits}
          {state.leaves && (
            <Button disabled={wait} onClick={() => does.mutate({ what: "left" })} look="text">
              Continue without an answer
            </Button>
          )}
        </p>
      )}
      {bake && (
        <>
          <DueNow bake={bake} now={now} tell={(told) => does.mutate({ what: "told", told })} wait={wait} panel />
          <DoughBall bake={bake} now={now} tell={(told) => does.mutate({ what: "told", told })} wait={wait} />
          {now >= Date.parse(bake.state.ready) && !bake.state.end && (
            <Button
              disabled={wait}
              onClick={() => does.mutate({ what: "told", told: { what: "taken out" } })}
              look="filled"
              size="large"
              className="self-start"
            >
              Take it out
            </Button>
          )}
          {bake.state.end && <KeepIt id={view.id} />}
          <Moments bake={bake} now={now} tell={(told) => does.mutate({ what: "told", told })} />
        </>
      )}
      <p className="flex flex-wrap gap-x-6">
        <Button onClick={() => does.mutate({ what: "again" })} look="text">
          Begin again
        </Button>
        <Button onClick={() => does.mutate({ what: "cut", on: state.phase === "dark" })} look="text">
          {state.phase === "dark" ? "Give the power back" : "Cut the power"}
        </Button>
        <span className="content-center text-soft">This is only a simulation; it doesn’t predict your loaf.</span>
      </p>
    </div>
  );
}

/** A rehearsal goes into the log only when it is asked for. */
function KeepIt({ id }: { id: string }) {
  const keep = useKeepRehearsal(id);
  return (
    <p className="flex flex-wrap items-center gap-4">
      {keep.data ? (
        <span role="status">
          It is in the log as a practice bake.{" "}
          <Link to={`/log/${keep.data.id}`} className="font-semibold text-rim underline">
            Open it in the log
          </Link>
        </span>
      ) : (
        <Button disabled={keep.isPending} onClick={() => keep.mutate()} look="text">
          Add this practice run to the log
        </Button>
      )}
      <TroubleNote error={keep.error} />
    </p>
  );
}

/** The rehearsed bake as Watch has a real one. */
function asBake(view: RehearsalView, state: RehearseState): BakeView | null {
  if (!state.bake) return null;
  const { plan, id, zone } = view;
  return {
    id,
    recipeId: "",
    revision: 0,
    startedAt: state.bake.begin,
    state: state.bake,
    shows: [],
    goes: [],
    plan,
    happenings: state.happens ?? [],
    zone,
    now: state.now,
  };
}

export const left = (minutes: number | undefined) => (minutes ? display(minutes) : "");
