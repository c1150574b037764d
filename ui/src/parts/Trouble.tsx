import { Trouble } from "../client/api";

/** What went wrong, in words, where it went wrong. */
export function TroubleNote({ error }: { error: unknown }) {
  if (!error) return null;
  const text = error instanceof Trouble ? error.problem.detail : "Something went wrong on this page. Reload it; nothing stored was lost.";
  return (
    <p role="alert" className="border-l-4 border-signal px-4 py-2 text-lg">
      {text}
    </p>
  );
}
