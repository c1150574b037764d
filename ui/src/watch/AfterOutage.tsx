import type { BakeView, Happened } from "../client/types.gen";
import { Button } from "../parts/Button";
import { Advised } from "./Advised";

interface Props {
  bake: BakeView;
  tell: (happened: Happened) => void;
  wait: boolean;
}

/** After a power cut that the machine did not bridge: what is left to do. */
export function AfterOutage({ bake, tell, wait }: Props) {
  const { outage } = bake.state;
  if (!outage) return null;
  const again = bake.state.phase === "running" && outage.steps.some((s) => s.act === "start again");
  return (
    <section aria-label="After the power cut" role="alert" className="rounded-tray border-4 border-signal px-4 py-2">
      <h2 className="mb-1 text-lg font-bold">After the power cut</h2>
      <Advised advice={outage} />
      {again && (
        <Button disabled={wait} onClick={() => tell({ what: "started again" })} className="mt-2">
          I started it again
        </Button>
      )}
    </section>
  );
}
