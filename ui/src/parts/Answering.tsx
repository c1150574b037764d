import { useQueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { Trouble } from "../client/api";
import { useOutbox, useUntold } from "../client/outbox";

/** Whether something that this page asks for is being asked again, for the server did not answer. */
function useAskingAgain(): boolean {
  const cache = useQueryClient().getQueryCache();
  return useSyncExternalStore(
    (changed) => cache.subscribe(changed),
    () =>
      cache
        .getAll()
        .some(
          (q) =>
            q.isActive() &&
            q.state.fetchStatus !== "idle" &&
            q.state.fetchFailureReason instanceof Trouble &&
            q.state.fetchFailureReason.problem.status >= 502,
        ),
  );
}

/** Says, while it is true, that the server does not answer and is asked again. */
export function Answering() {
  const { waiting } = useOutbox();
  const presses = useUntold();
  const asking = useAskingAgain();
  if (!asking && !waiting) return null;
  const kept = presses.length === 1 ? "1 change is waiting to be sent" : `${presses.length} changes are waiting to be sent`;
  return (
    <p role="status" className="border-b-2 border-signal bg-enamel px-4 py-1 font-semibold" data-answering>
      The kitchen’s server does not answer; asking again. {waiting ? `${kept}.` : "What you see is from before."}
    </p>
  );
}
