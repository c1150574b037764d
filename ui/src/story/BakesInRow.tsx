import { Link } from "react-router";
import { photoAt } from "../client/api";
import type { Story, StoryBake } from "../client/types.gen";
import { Mark } from "../log/Mark";
import { day, dayName } from "../parts/time";
import { LoafPicture } from "../verdict/SignPicture";
import { overRim } from "../parts/figures";

/** The loaves of a recipe in a row, oldest first, and between them what was changed. */
export function BakesInRow({ story }: { story: Story }) {
  const { bakes, zone, now } = story;
  return (
    <section aria-labelledby="bakes" className="mt-4">
      <h2 id="bakes" className="text-lg font-semibold">
        Bakes
      </h2>
      <ol tabIndex={0} aria-label="Bakes, oldest first" className="mt-1 flex gap-6 overflow-x-auto border-y border-rule py-3">
        {bakes.toReversed().map((b) => (
          <li key={b.id} data-story={b.id} className="flex w-60 shrink-0 flex-col gap-1">
            <p className="fraction min-h-15 text-sm leading-5 text-moved">
              {b.changed && (
                <>
                  <span className="font-semibold">Changed:</span> {b.changed.join("; ")}
                </>
              )}
            </p>
            <Look bake={b} />
            <p className="figures">
              <Link to={`/log/${b.id}`} className="font-semibold text-rim underline">
                {dayName(day(b.startedAt, zone), day(now, zone))}
              </Link>
              <span className="block text-soft">
                <span className="fraction">{b.size}</span> · version {b.revision}
              </span>
            </p>
            <Mark mark={b.mark} />
            <p className="text-sm leading-5">
              {[b.signs?.join(", "), b.centre !== undefined && overRim(b.centre), b.doses && `put in: ${b.doses.join(", ")}`, helped(b)]
                .filter(Boolean)
                .join(" · ")}
            </p>
          </li>
        ))}
      </ol>
    </section>
  );
}

const helped = ({ helped: said }: StoryBake) => said && (said === "yes" ? "the change helped" : "the change did not help");

function Look({ bake }: { bake: StoryBake }) {
  const place = "h-24 w-36 text-ink";
  if (bake.photo) return <img src={photoAt(bake.photo, true)} alt="" loading="lazy" className={`${place} rounded-tray object-cover`} />;
  if (!bake.mark) return <span className={`${place} content-center text-soft`}>{bake.phase === "abandoned" ? "ended early" : ""}</span>;
  return <LoafPicture signs={bake.signs ?? []} crust={bake.crust ?? "medium"} className={place} />;
}
