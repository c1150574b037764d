import type { BakeView } from "../client/types.gen";
import { Advised } from "./Advised";

/** After a power cut that the machine did not bridge: what is left to do. */
export function AfterOutage({ bake }: { bake: BakeView }) {
  const { outage } = bake.state;
  if (!outage) return null;
  return (
    <section aria-label="After the power cut" role="alert" className="rounded-tray border-4 border-signal px-4 py-2">
      <h2 className="mb-1 text-lg font-bold">After the power cut</h2>
      <Advised advice={outage} />
    </section>
  );
}
