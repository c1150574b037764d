import { Suspense } from "react";
import { Link, useParams } from "react-router";
import { recipePaper } from "../client/api";
import { useStory } from "../client/bakes";
import { awaited } from "../parts/later";
import { LessonList } from "../parts/LessonList";
import { TroubleNote } from "../parts/Trouble";
import { BakesInRow } from "./BakesInRow";
import { Revisions } from "./Revisions";

const Plots = awaited(() => import("./Plots"), true);
const ways = [
  ["text", "as text"],
  ["markdown", "as formatted text"],
  ["json", "as data (for other apps)"],
] as const;
const enough = 3; // bakes from which on a plot shows anything

/** A recipe as it went: its bakes with what changed between them, its figures over time, its revisions. */
export default function StoryScreen() {
  const { id = "" } = useParams();
  const story = useStory(id);
  if (story.error && !story.data)
    return (
      <div className="p-8">
        <TroubleNote error={story.error} />
      </div>
    );
  if (!story.data) return <p className="p-8 text-lg text-soft">Loading history …</p>;
  const { name, bakes, lessons, older } = story.data;
  const link = "min-h-11 content-center font-semibold text-rim underline";
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-xl font-bold wrap-anywhere">{name}</h1>
        <Link to={`/?recipe=${id}`} className={link}>
          Plan this recipe
        </Link>
        <Link to={`/recipes/${id}`} className={link}>
          Edit
        </Link>
        <Link to="/recipes" className={link}>
          All recipes
        </Link>
        <span className="text-soft">Download</span>
        {ways.map(([as, say]) => (
          <a key={as} href={recipePaper(id, as)} download className={link}>
            {say}
          </a>
        ))}
      </header>
      {lessons && <LessonList lessons={lessons} />}
      {bakes.length === 0 ? (
        <p className="mt-4 text-lg text-soft">Not baked yet. Bakes will appear here.</p>
      ) : (
        <BakesInRow story={story.data} />
      )}
      {older && <p className="mt-1 text-soft">Older bakes are in the log.</p>}
      {bakes.filter((b) => b.mark).length >= enough && (
        <Suspense fallback={<p className="mt-4 text-soft">Drawing its figures …</p>}>
          <Plots bakes={bakes.toReversed()} zone={story.data.zone} now={story.data.now} />
        </Suspense>
      )}
      <Revisions story={story.data} />
    </div>
  );
}
