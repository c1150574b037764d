import type { BakeView, Happened } from "../client/types.gen";
import { Amount } from "../parts/Amount";
import { clock, inHours } from "../parts/time";
import { startButton } from "../parts/panel";

interface Props {
  bake: BakeView;
  now: number;
  tell: (happened: Happened) => void;
  wait: boolean;
  panel?: boolean; // it is started on a panel of this very page
}

/** What has come and nobody has answered: it stays first until somebody does. */
export function DueNow({ bake, now, tell, wait, panel }: Props) {
  const { due } = bake.state;
  if (!due) return null;
  const late = Math.floor((now - Date.parse(due.at)) / 60_000);
  const lines = bake.plan.lines.filter((l) => due.lines?.includes(l.id));
  const button = "min-h-12 rounded-tray px-6 font-bold";
  return (
    <section aria-label="Now to do" role="alert" data-due={due.moment} className="rounded-tray border-4 border-signal px-4 py-2">
      <h2 className="text-xl font-bold">{due.say}</h2>
      <p className="text-lg">
        <b className="figures">{clock(due.at, bake.zone)}</b>
        {late >= 1 && <span className="text-signal">, {inHours(late)} ago</span>}. {due.now}
      </p>
      {lines.length > 0 && (
        <ul className="mt-1 text-lg">
          {lines.map((l) => (
            <li key={l.id} className="flex flex-wrap items-baseline gap-3">
              <Amount line={l} /> <b>{l.name}</b>
            </li>
          ))}
        </ul>
      )}
      {due.steps && (
        <ol className="mt-1 list-decimal pl-8 text-lg leading-8">
          {due.steps.map((say) => (
            <li key={say}>{say}</li>
          ))}
        </ol>
      )}
      {due.waits && panel ? (
        <p className="mt-2 text-lg font-semibold">Press {startButton(bake.plan)} on the stand-in’s panel: it goes on only then.</p>
      ) : due.waits ? (
        <Resume
          moment={due.moment}
          say={due.moment === "refused" ? "It has started" : `${startButton(bake.plan)} is pressed again`}
          tell={tell}
          wait={wait}
        />
      ) : (
        <p className="mt-2 flex flex-wrap gap-3">
          <button
            type="button"
            disabled={wait}
            onClick={() => tell({ what: "done", moment: due.moment })}
            className={`${button} bg-rim text-on-rim`}
          >
            It’s done
          </button>
          <button
            type="button"
            disabled={wait}
            onClick={() => tell({ what: "skipped", moment: due.moment })}
            className={`${button} border-2 border-rim text-rim`}
          >
            Left out
          </button>
        </p>
      )}
    </section>
  );
}

/** It was started again: now, or some minutes ago, since hands were full. */
function Resume({ moment, say, tell, wait }: { moment: string; say: string; tell: Props["tell"]; wait: boolean }) {
  const button = "min-h-12 rounded-tray px-6 font-bold";
  return (
    <p className="mt-2 flex flex-wrap items-center gap-3">
      <button type="button" disabled={wait} onClick={() => tell({ what: "resumed", moment })} className={`${button} bg-rim text-on-rim`}>
        {say}
      </button>
      {[2, 5, 10].map((minutes) => (
        <button
          key={minutes}
          type="button"
          disabled={wait}
          onClick={() => tell({ what: "resumed", moment, minutes })}
          className={`${button} border-2 border-rim text-rim`}
        >
          {minutes} min ago
        </button>
      ))}
    </p>
  );
}
