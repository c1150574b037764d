import { Button, PressLink } from "../parts/Button";
import { useParams } from "react-router";
import { useBake } from "../client/bakes";
import { usePutAway } from "../client/house";
import { useShelf } from "../client/queries";
import type { BakeView } from "../client/types.gen";
import { Amount } from "../parts/Amount";
import { Photos } from "../parts/Photos";
import { StuffSwatch } from "../parts/stuff";
import { clock, day, dayName, display, inHours } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { moved, standing } from "../watch/happened";
import { WhySo } from "../verdict/WhySo";
import { Mark } from "./Mark";
import { overRim, weight } from "../parts/figures";
import { cycleTitle } from "../parts/panel";
import { made } from "../parts/Made";

/** One bake as it was that day: what went in, what was set, and how it came out. */
export default function LoggedBake() {
  const { id = "" } = useParams();
  const bake = useBake(id);
  const shelf = useShelf().data;
  const put = usePutAway(`/bakes/${id}`);
  if (bake.error && !bake.data)
    return (
      <div className="p-8">
        <TroubleNote error={bake.error} />
      </div>
    );
  if (!bake.data) return <p className="p-8 text-lg text-soft">Loading bake …</p>;
  const { plan, state, zone } = bake.data;
  const machine = shelf?.machines.find((m) => m.name === plan.machine)?.id;
  const again = `/?${new URLSearchParams({ recipe: bake.data.recipeId, size: plan.batch ?? plan.size, ...(machine && { machine }) })}`;
  const otherwise = standing(bake.data).filter((h) => moved[h.what]);
  const by = [...new Set(bake.data.happenings.flatMap((h) => h.by ?? []))];
  const set: [string, string][] = [
    ["Machine", plan.machine],
    ["Cycle", cycleTitle(plan.setting.cycle)],
    ["Crust", plan.setting.hasCrust ? plan.setting.crust : "no choice"],
    [plan.batch ? "How much" : "Loaf", made(plan)],
    ...(plan.setting.hasSize && plan.setting.size ? [["Size setting", plan.setting.size] satisfies [string, string]] : []),
    ["Timer", plan.timer.setting > 0 ? display(plan.timer.setting) : "no delay"],
    ["Started", clock(bake.data.startedAt, zone)],
    ["Ready", clock(state.ready, zone)],
    ...(by.length > 0 ? [["Recorded by", by.join(", ")] satisfies [string, string]] : []),
    [state.phase === "abandoned" ? "Ended early" : "Out of the pan", state.end ? clock(state.end, zone) : "not yet"],
  ];
  return (
    <div className="w-full px-6 py-4">
      <p>
        <PressLink to="/log" size="small">
          Log
        </PressLink>
      </p>
      <header className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-xl font-bold">{plan.recipe}</h1>
        <p className="text-lg text-soft">
          {dayName(day(bake.data.startedAt, zone), day(bake.data.now, zone))} · version {bake.data.revision}
        </p>
        <Mark mark={state.mark} />
        <PressLink to={`/verdict/${id}`}>{state.mark ? "Edit rating" : "Rate this loaf"}</PressLink>
        <PressLink to={`/recipes/${bake.data.recipeId}/story`}>All loaves of this recipe</PressLink>
        <PressLink to={again}>Bake this again</PressLink>
        <PressLink to={`/day${again.slice(1)}&add=1`}>Put it on a day</PressLink>
        <Button disabled={put.isPending} onClick={() => put.mutate(!bake.data.putAway)} look="text">
          {bake.data.putAway ? "Restore to the log" : "Archive"}
        </Button>
      </header>
      {bake.data.putAway && (
        <p role="status" className="text-lg text-soft">
          Archived: hidden in the log.
        </p>
      )}
      {bake.data.rehearsed && <p className="text-lg text-soft">A practice bake: nothing was baked, and Rise Pan learns nothing from it.</p>}
      <TroubleNote error={put.error} />
      {state.note && <p className="mt-1 max-w-prose text-lg">{state.note}</p>}
      {bake.data.tried && (
        <p className="mt-1">
          It tried a change, for the loaf before was {bake.data.tried}.{" "}
          {state.helped && <b>{state.helped === "yes" ? "It helped." : "It did not help."}</b>}
        </p>
      )}
      {state.signs && <p className="mt-1 text-lg">{state.signs.join(" · ")}</p>}
      <Told bake={bake.data} />
      <Photos bake={bake.data} ask="Add a photo" />
      <WhySo bake={bake.data} />
      <div className="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section aria-labelledby="went-in">
          <h2 id="went-in" className="text-sm font-semibold text-soft">
            What went in
          </h2>
          <ul className="mt-1 divide-y divide-rule border-y border-rule">
            {plan.lines.map((l) => (
              <li key={l.id} className="grid grid-cols-[16px_auto_minmax(0,1fr)] items-center gap-3 py-1">
                <StuffSwatch stuff={l.stuff} />
                <Amount line={l} size="small" />
                <span className="text-right">
                  <b>{l.name}</b> <span className="figures ml-2 text-xs text-soft">{l.weight ?? weight(l.exact, !!l.fine)}</span>
                </span>
              </li>
            ))}
          </ul>
          {state.ball?.doses?.map((d) => (
            <p key={d.at} className="mt-1 text-sm text-soft">
              At the dough ball: {d.spoken} of {d.of === "water" ? "liquid" : "flour"} at {clock(d.at, zone)}.
            </p>
          ))}
          {plan.swaps?.map((w) => (
            <p key={w.says} className="mt-1 text-sm text-soft">
              Swapped for this loaf: {w.says.replace(" → ", " became ")}.
            </p>
          ))}
        </section>
        <section aria-labelledby="was-set">
          <h2 id="was-set" className="text-sm font-semibold text-soft">
            What was set
          </h2>
          <dl className="mt-1 divide-y divide-rule border-y border-rule">
            {set.map(([name, value]) => (
              <div key={name} className="flex py-2">
                <dt className="w-32 text-soft">{name}</dt>
                <dd className={`font-semibold ${name === "Size" ? "fraction" : ""}`}>{value}</dd>
              </div>
            ))}
          </dl>
          {otherwise.length > 0 && (
            <>
              <h2 className="mt-4 text-sm font-semibold text-soft">What changed</h2>
              <ul>
                {otherwise.map((h) => (
                  <li key={h.seq}>
                    <span className="figures">{clock(h.at, zone)}</span> {moved[h.what]}
                    {h.refusal && `: ${h.refusal}`}
                    {h.warm && `: ${h.warm}`}
                    {h.what === "moved" && h.minutes && `: ${inHours(Math.abs(h.minutes))} ${h.minutes < 0 ? "sooner" : "later"}`}
                    {h.cut && `: ${clock(h.cut.from, zone)} to ${clock(h.cut.to, zone)}`}
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
      </div>
    </div>
  );
}

/** What was measured of the loaf and told of the day. */
function Told({ bake }: { bake: BakeView }) {
  const { state, plan } = bake;
  const rim = (mm: number | undefined, what: string) => mm !== undefined && `${what} ${overRim(mm)}`;
  const said = [
    rim(state.centre, "middle"),
    rim(state.sides, "edges"),
    state.weight && weight(state.weight),
    state.crust && `${state.crust} crust${state.crust === plan.setting.crust ? "" : `, set to ${plan.setting.crust}`}`,
    state.cutAfter && `cut after ${inHours(state.cutAfter)}`,
    state.room && `kitchen at ${state.room}`,
    state.damp && "a damp day",
    ...(state.mishaps ?? []),
  ].filter(Boolean);
  return said.length > 0 && <p className="mt-1">{said.join(" · ")}</p>;
}
