import { Button } from "../parts/Button";
import type { BenchView } from "../client/types.gen";

interface Props {
  bench: BenchView;
  untold: number; // presses that the server has yet to hear of
  mend: () => void; // takes the last slip back
}

/** What is otherwise than planned. */
export function BenchNotices({ bench, untold, mend }: Props) {
  const { session } = bench;
  return (
    <>
      {session.slips > 0 && (
        <p className="flex flex-wrap items-center gap-x-4 border-b border-rule px-4 text-lg">
          {session.have ? "The loaf has grown to what went in." : "The rest is measured around what went in."}
          <Button onClick={mend} look="text" size="large">
            Undo
          </Button>
        </p>
      )}
      {bench.cautions?.map((c) => (
        <p key={c.say} className={`border-l-4 px-4 py-1 text-lg ${c.level === "ask" ? "border-signal" : "border-rim"}`}>
          {c.say}
        </p>
      ))}
      {untold > 0 && (
        <p role="status" className="border-l-4 border-rim px-4 py-1 text-lg" data-untold>
          The server does not answer. Go on: {untold === 1 ? "one thing waits" : `${untold} things wait`} to be written down, and will be,
          also if this page is closed.
        </p>
      )}
      {bench.changed && (
        <p className="border-l-4 border-rim px-4 py-1 text-lg" data-changed>
          The {bench.changed.join(" and the ")} {bench.changed.length > 1 ? "were" : "was"} changed elsewhere since this loaf was begun. It
          goes on as it was begun.
        </p>
      )}
      {bench.passed && (
        <p className="border-l-4 border-rim px-4 py-1 text-lg">
          The ready time that you wished for has passed: everything is worked out for now.
        </p>
      )}
    </>
  );
}
