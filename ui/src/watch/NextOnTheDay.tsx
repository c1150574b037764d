import { PressLink } from "../parts/Button";
import { useNextPlanned } from "../parts/nextMoment";

/** What the day's plan calls for next, of a loaf that does not run yet: it stands first where it comes first. */
export function NextOnTheDay({ before }: { before?: number }) {
  const next = useNextPlanned();
  if (!next) return null;
  const first = before === undefined || next.at < before;
  return (
    <p
      className={`flex flex-wrap items-baseline gap-x-4 border-l-4 py-1 pl-3 text-lg ${first ? "border-moment font-semibold" : "border-rule text-soft"}`}
      data-next-planned
    >
      <span className="figures text-xl font-bold">{next.time}</span>
      <span className="min-w-0 flex-1">
        {next.recipe}: {next.say}
      </span>
      <PressLink to={`/day/${next.id}`}>The whole day</PressLink>
    </p>
  );
}
