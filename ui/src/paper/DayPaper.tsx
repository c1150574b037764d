import { PressLink } from "../parts/Button";
import { Navigate, useSearchParams } from "react-router";
import { useDay, useNeeds } from "../day/queries";
import { dayTitle, letter } from "../day/scale";
import { clock, day as dayOf, dayName, display } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { Paper } from "./Paper";

/** A baking day on one page: its hours, its loaves, and the flour for all. */
export default function DayPaper() {
  const [search] = useSearchParams();
  const date = search.get("date") ?? "";
  const view = useDay(date);
  const needs = useNeeds(date, date !== "");
  if (!date) return <Navigate to="/day" replace />;
  const { day, zone } = view.data ?? {};
  const dates = [...new Set(day?.hands.map((h) => dayOf(h.at, zone ?? "UTC")))];
  return (
    <Paper title="The day on paper" more={<PressLink to={`/day/${date}`}>Back to the day</PressLink>}>
      <TroubleNote error={view.error} />
      <h2 className="text-[28px] leading-8 font-bold">{dayTitle(date)}</h2>
      {day && zone && (
        <>
          <ol className="mt-1 columns-2 gap-6 text-base">
            {day.loaves.map((l, n) => (
              <li key={l.id} className="break-inside-avoid py-0.5">
                <b>
                  {letter(n)} · {l.name}
                </b>{" "}
                <span className="fraction">{l.size}</span>
                <span className="block">
                  {l.on ?? l.say}
                  {l.on && (l.timer ? `, timer ${display(l.timer)}` : "")}
                  {l.panel && `: ${l.panel}`}
                </span>
              </li>
            ))}
          </ol>
          {dates.map((d) => (
            <section key={d} className="mt-2">
              <h3 className="border-b-2 border-ink text-lg font-bold first-letter:uppercase">
                {dayName(d, dayOf(view.data?.now ?? 0, zone))}
              </h3>
              <ul>
                {day.hands
                  .filter((h) => dayOf(h.at, zone) === d)
                  .map((h) => {
                    const n = day.loaves.findIndex((l) => (h.loaf ? l.id === h.loaf : l.bake === h.bake));
                    return (
                      <li
                        key={`${h.at} ${h.loaf ?? h.bake} ${h.does} ${h.say}`}
                        className="flex break-inside-avoid gap-4 border-b border-rule py-0.5"
                      >
                        <span className="figures w-20 shrink-0 text-lg font-bold whitespace-nowrap">{clock(h.at, zone)}</span>
                        <b className="w-6 shrink-0">{n >= 0 ? letter(n) : ""}</b>
                        <span className="min-w-0">
                          {h.name}: {h.say}
                        </span>
                      </li>
                    );
                  })}
              </ul>
            </section>
          ))}
        </>
      )}
      {(needs.data?.weigh.length ?? 0) > 0 && (
        <section className="mt-2 break-inside-avoid">
          <h3 className="border-b-2 border-ink text-lg font-bold">Weigh out for the whole day</h3>
          {needs.data?.weigh.map((w) => (
            <p key={w.name}>
              {w.name} <b>{w.all}</b>: {w.each.map((e) => `${e.loaf} ${e.amount}`).join(", ")}
            </p>
          ))}
        </section>
      )}
      <p className="mt-2 text-base">Times hold if each machine is started when it says. The machine’s own booklet comes first.</p>
    </Paper>
  );
}
