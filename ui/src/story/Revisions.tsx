import { Button } from "../parts/Button";
import { useState } from "react";
import { useDifference } from "../client/bakes";
import { useGoBack } from "../client/recipes";
import type { RecipeChanged as Changed, RevisionTold, Story } from "../client/types.gen";
import { Arrow } from "../parts/Arrow";
import { Picker } from "../parts/Picker";
import { day, dayName } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { fixed, weight } from "../parts/figures";

/** How a recipe came to be as it is: each revision with its reason, what it changed and the loaves made of it. */
export function Revisions({ story }: { story: Story }) {
  const back = useGoBack(story.id);
  return (
    <section aria-labelledby="revisions" className="mt-6">
      <h2 id="revisions" className="text-lg font-semibold">
        Versions
      </h2>
      {story.revisions.length > 1 && <Compared story={story} />}
      <ol className="mt-2 divide-y divide-rule border-y border-rule">
        {story.revisions.map((r) => (
          <li key={r.number} data-revision={r.number} className="grid gap-x-6 py-3 md:grid-cols-[11rem_minmax(0,1fr)_auto]">
            <p>
              <b>Version {r.number}</b>
              <span className="block text-sm text-soft">{dayName(day(r.at, story.zone), day(story.now, story.zone))}</span>
            </p>
            <div>
              {r.because && <p className="first-letter:uppercase">{r.because}.</p>}
              <What revision={r} />
              <Loaves story={story} number={r.number} />
            </div>
            {r.number !== story.revision && (
              <Button
                disabled={back.isPending}
                onClick={() => back.mutate({ revision: story.revision, to: r.number })}
                look="text"
                className="self-start"
              >
                Restore this version<span className="sr-only">: version {r.number}</span>
              </Button>
            )}
          </li>
        ))}
      </ol>
      <TroubleNote error={back.error} />
    </section>
  );
}

function What({ revision }: { revision: RevisionTold }) {
  if (!revision.changed)
    return <p className="text-soft">{revision.number === 1 ? "As it was first written." : "Nothing else on the card."}</p>;
  return (
    <ul className="fraction">
      {revision.changed.map((c) => (
        <li key={c.of + (c.line ?? "")}>
          <Said change={c} />
        </li>
      ))}
    </ul>
  );
}

/** A change in words and grams. */
function Said({ change: { of, from, to, was, is, fine = false } }: { change: Changed }) {
  return (
    <>
      <b>{of}</b> {from ?? "not there"}
      <Arrow />
      {to ?? "left out"}
      {was && is ? (
        <span className="figures text-soft">
          {" "}
          ({weight(was, fine)}
          <Arrow />
          {weight(is, fine)})
        </span>
      ) : null}
    </>
  );
}

function Loaves({ story, number }: { story: Story; number: number }) {
  const of = story.bakes.filter((b) => b.revision === number);
  if (of.length === 0) return <p className="text-sm text-soft">Not baked yet.</p>;
  const marks = of.map((b) => b.mark ?? 0).filter(Boolean);
  return (
    <p className="text-sm text-soft">
      {of.length === 1 ? "One loaf" : `${of.length} loaves`}
      {marks.length > 0 && `, marked ${marks.toReversed().join(", ")} of 5`}
    </p>
  );
}

/** Any two revisions side by side: in words, amounts and percentages. */
function Compared({ story }: { story: Story }) {
  const [from, setFrom] = useState(String(story.revisions.at(-1)?.number ?? 1));
  const [to, setTo] = useState("");
  const newer = to || String(story.revision);
  const difference = useDifference(story.id, Number(from), Number(newer));
  const choices = story.revisions.map((r) => ({ id: String(r.number), name: `version ${r.number}` }));
  const moved = difference.data?.figures.filter((f) => fixed(f.from, 2) !== fixed(f.to, 2)) ?? [];
  return (
    <div data-difference>
      <p className="mt-1 flex flex-wrap items-center gap-x-2">
        From
        <Picker label="From" value={from} pick={setFrom} choices={choices} />
        to
        <Picker label="To" value={newer} pick={setTo} choices={choices} />
      </p>
      <TroubleNote error={difference.error} />
      {from === newer ? (
        <p className="text-soft">Choose two.</p>
      ) : (
        difference.data && (
          <div className="grid gap-x-8 md:grid-cols-2">
            <ul className="fraction divide-y divide-rule border-y border-rule">
              {difference.data.changed.length === 0 && <li className="py-1 text-soft">No difference.</li>}
              {difference.data.changed.map((c) => (
                <li key={c.of + (c.line ?? "")} className="py-1">
                  <Said change={c} />
                </li>
              ))}
            </ul>
            {moved.length > 0 && (
              <table className="self-start text-left">
                <caption className="sr-only">Figures per 100 of flour</caption>
                <tbody>
                  {moved.map((f) => (
                    <tr key={f.of} className="border-y border-rule">
                      <th scope="row" className="py-1 pr-6 font-normal">
                        {f.of}
                      </th>
                      <td className="figures text-right font-semibold">
                        {fixed(f.from, 1)} %<Arrow />
                        {fixed(f.to, 1)} %
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
          </div>
        )
      )}
    </div>
  );
}
