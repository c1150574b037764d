import { Link, Navigate, useLocation, useParams } from "react-router";
import { usePlan, useShelf } from "../client/queries";
import type { PlanPaper } from "../client/api";
import { SavePlan } from "../parts/SavePlan";
import { TroubleNote } from "../parts/Trouble";
import { useWish } from "../plan/wish";
import { ByOven } from "./ByOven";
import { Card } from "./Card";
import { Paper } from "./Paper";
import { Timetable } from "./Timetable";

const papers = {
  card: { title: "Print card", body: Card },
  timetable: { title: "Timetable", body: Timetable },
  oven: { title: "By mixer and oven", body: ByOven },
} as const;

const saved: [PlanPaper, string][] = [
  ["what=recipe&as=text", "as text"],
  ["what=recipe&as=markdown", "as formatted text"],
  ["what=recipe&as=json", "as data (for other apps)"],
];

const known = (what: string): what is keyof typeof papers => what in papers;

/** A planned loaf on paper: its card, its hours, or how it is made without the machine. */
export default function PaperScreen() {
  const { what = "" } = useParams();
  const { search } = useLocation();
  const shelf = useShelf();
  const [chosen] = useWish(shelf.data);
  const plan = usePlan(chosen?.wish ?? null);
  if (!known(what)) return <Navigate to="/" replace />;
  const { title, body: Body } = papers[what];
  const link = "min-h-11 content-center font-semibold text-rim underline";
  return (
    <Paper
      title={title}
      more={
        <>
          {(Object.keys(papers) as (keyof typeof papers)[])
            .filter((other) => other !== what)
            .map((other) => (
              <Link key={other} to={`/paper/${other}${search}`} className={link}>
                {papers[other].title}
              </Link>
            ))}
          <Link to={`/${search}`} className={link}>
            Back to the plan
          </Link>
        </>
      }
    >
      <TroubleNote error={plan.error} />
      {chosen && <SavePlan wish={chosen.wish} ways={what === "timetable" ? [["what=timetable", "as a calendar with alarms"]] : saved} />}
      {!plan.data && !plan.error && <p className="text-lg text-soft">Working out the loaf …</p>}
      {plan.data && chosen && <Body answer={plan.data} wish={chosen.wish} note={chosen.recipe.note} />}
    </Paper>
  );
}
