import { Button } from "./Button";
import { useDeclineLesson, useTakeLesson } from "../client/bakes";
import type { VerdictLesson as Lesson } from "../client/types.gen";
import { TroubleNote } from "./Trouble";

/** What several bakes together teach: each with what it rests on, to be taken or declined. */
export function LessonList({ lessons, declined = [] }: { lessons: Lesson[]; declined?: Lesson[] }) {
  const take = useTakeLesson();
  const decline = useDeclineLesson();
  const busy = take.isPending || decline.isPending;
  if (lessons.length === 0 && declined.length === 0) return null;
  return (
    <section aria-labelledby="lessons" className="mt-4">
      <h2 id="lessons" className="text-lg font-semibold">
        Tips from your bakes
      </h2>
      <ul className="mt-1 divide-y divide-rule border-y border-rule">
        {lessons.map((l) => (
          <li key={l.id} data-lesson={l.id} className="py-3">
            <p className="fraction text-lg font-semibold">{l.say}</p>
            <details>
              <summary className="min-h-8 cursor-pointer content-center text-soft">It rests on {l.rests} bakes</summary>
              <ul className="fraction pl-4">
                {l.evidence.map((e, n) => (
                  <li key={n}>{e}</li>
                ))}
              </ul>
            </details>
            <p className="mt-1 flex flex-wrap items-center gap-4">
              <Button disabled={busy} onClick={() => take.mutate(l.id)} look="filled" size="medium" className="fraction">
                {l.take}
              </Button>
              <Button disabled={busy} onClick={() => decline.mutate({ id: l.id, on: true })} look="text">
                No change
              </Button>
            </p>
          </li>
        ))}
        {declined.map((l) => (
          <li key={l.id} className="flex flex-wrap items-baseline gap-4 py-2 text-soft">
            <span className="fraction">{l.say} You left it as it is.</span>
            <button
              type="button"
              disabled={busy}
              onClick={() => decline.mutate({ id: l.id, on: false })}
              className="min-h-8 font-semibold text-rim underline"
            >
              Offer it again
            </button>
          </li>
        ))}
      </ul>
      <TroubleNote error={take.error ?? decline.error} />
    </section>
  );
}
