import { Link } from "react-router";
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
      <Link to={`/day/${next.id}`} className="min-h-11 content-center font-semibold text-rim underline">
        The whole day
      </Link>
    </p>
  );
}
