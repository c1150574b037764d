import type { BakeView } from "../client/types.gen";

/** After a power cut that the machine did not bridge: what is left to do. */
export function AfterOutage({ bake }: { bake: BakeView }) {
  const { outage } = bake.state;
  if (!outage) return null;
  return (
    <section aria-label="After the power cut" role="alert" className="rounded-tray border-4 border-signal px-4 py-2">
      <h2 className={`text-xl font-bold ${outage.throw ? "text-signal" : ""}`}>{outage.say}</h2>
      <ol className="mt-1 list-decimal pl-8 text-lg leading-8">
        {(outage.steps ?? []).map((say) => (
          <li key={say}>{say}</li>
        ))}
      </ol>
    </section>
  );
}
