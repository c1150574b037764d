import { Button } from "../parts/Button";
import type { RehearsalView, RehearseState } from "../client/types.gen";
import { display } from "../parts/time";

interface Props {
  view: RehearsalView;
  state: RehearseState;
  press: (button: string, held?: boolean) => void;
  wait: boolean;
}

const says: Record<RehearseState["sounds"][number]["sound"], string> = {
  click: "click",
  nothing: "nothing moves",
  begins: "the cycle begins",
  stage: "next stage",
  beep: "beeps",
  drops: "the dispenser opens",
  waits: "it waits for Start",
  "goes on": "it goes on",
  done: "done: a long beep",
  cools: "keep warm is over",
  stops: "stopped: the cycle is lost",
  "too hot": "it shows that it is too hot to start",
  "power out": "the power is out",
  "power back": "the power is back",
  lost: "it has forgotten the cycle",
};

/** The stand-in's panel, drawn from the machine's own description; nothing on it is pressed by itself. */
export function Panel({ view, state, press, wait }: Props) {
  const { panel, plan } = view;
  const rings = [panel.menu, panel.size, panel.crust, panel.addIns].flatMap((r) =>
    r?.button ? [r.button, ...(r.back ? [r.back] : [])] : [],
  );
  const timer = [panel.sooner, panel.later].filter((b): b is string => !!b);
  const button = "min-h-14 min-w-20 rounded-tray border-2 border-rim px-3 text-base font-bold text-rim active:bg-shelf";
  const heard = state.sounds[0];
  return (
    <section aria-labelledby="panel" className="rounded-tray border-4 border-rim p-4">
      <h2 id="panel" className="text-sm font-semibold text-soft">
        {plan.machine}, a stand-in
      </h2>
      <div className="mt-2 flex items-center gap-4 rounded-tray bg-ink px-4 py-3 text-enamel">
        <span
          className={`size-4 rounded-full border-2 border-enamel ${state.light ? "bg-enamel" : ""}`}
          role="img"
          aria-label={state.light ? "the running light is on" : "the running light is off"}
        />
        <p className="figures min-w-0 flex-1 text-lg leading-7 font-bold" data-display aria-live="polite">
          {state.shows || "dark"}
        </p>
        {state.stage && <span className="text-lg">{state.stage}</span>}
        {state.locked && <span className="text-sm">locked</span>}
      </div>
      <p className="mt-1 min-h-6 text-sm text-soft" role="status">
        {heard && `${says[heard.sound]}${heard.pips ? `, ${heard.pips} pips` : ""}`}
        {state.left && state.phase !== "idle" ? ` · ${display(state.left)} left` : ""}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {rings.map((b) => (
          <button key={b} type="button" disabled={wait} onClick={() => press(b)} className={button}>
            {b}
          </button>
        ))}
        {timer.map((b) => (
          <button key={b} type="button" disabled={wait} onClick={() => press(b)} className={button}>
            {b}
          </button>
        ))}
        {panel.lock && (
          <button type="button" disabled={wait} onClick={() => press(panel.lock ?? "")} className={button}>
            {panel.lock}
          </button>
        )}
        <Button disabled={wait} onClick={() => press(panel.start ?? "Start")} look="filled" size="large" className="min-w-24">
          {panel.start}
        </Button>
        <button type="button" disabled={wait} onClick={() => press(panel.start ?? "Start", true)} className={button}>
          Hold {panel.start}
        </button>
      </div>
      {state.phase === "idle" && (
        <p className="mt-2 text-sm text-soft">
          The plan says: <b className="text-ink">{plan.setting.label}</b>
        </p>
      )}
      {state.differs && (
        <ul className="mt-2 border-l-4 border-signal pl-3 text-base" aria-label="Changes during the bake">
          {state.differs.map((say) => (
            <li key={say}>{say}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
