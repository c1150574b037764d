import { usePutSamples } from "../client/house";
import { useShelf } from "../client/queries";
import { Button } from "./Button";
import { TroubleNote } from "./Trouble";

/** Where things of the sample kitchen stand among one's own: one tap removes them all, another brings them back. */
export function Samples() {
  const samples = useShelf().data?.samples ?? 0;
  const put = usePutSamples();
  const removed = put.isSuccess && put.variables;
  if (samples === 0 && !removed) return null;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 text-soft">
      {removed ? "The samples are archived; their bakes stay in the log." : "Some of these are the sample kitchen’s."}
      <Button look="text" disabled={put.isPending} onClick={() => put.mutate(!removed)}>
        {removed ? "Undo" : "Remove the samples"}
      </Button>
      <TroubleNote error={put.error} />
    </div>
  );
}
