import { Button } from "../parts/Button";
import { useState } from "react";
import { useKeepBrought } from "../client/house";
import type { Brought } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";
import { Done } from "./CardsBrought";
import { newKey } from "../client/key";

const shownRows = 200;

/** The bakes of a table as they were understood, and why some are not taken. */
export function LogBrought({ log, table }: { log: NonNullable<Brought["log"]>; table: string }) {
  const [key] = useState(() => newKey());
  const keep = useKeepBrought();
  const taken = log.bakes.filter((b) => !b.skip).length;
  if (keep.data) return <Done done={keep.data} />;
  return (
    <section aria-label="What was understood" className="mt-2">
      {log.faults && (
        <ul className="border-l-4 border-signal pl-3">
          {log.faults.map((f) => (
            <li key={f.row}>
              <b>Row {f.row}:</b> {f.say}
            </li>
          ))}
        </ul>
      )}
      <table className="mt-2 w-full text-left">
        <thead className="text-sm text-soft">
          <tr>
            <th scope="col">started</th>
            <th scope="col">recipe</th>
            <th scope="col">size</th>
            <th scope="col">machine</th>
            <th scope="col">mark</th>
            <th scope="col">is</th>
          </tr>
        </thead>
        <tbody>
          {log.bakes.slice(0, shownRows).map((b, n) => (
            <tr key={n} className={`border-t border-rule ${b.skip ? "text-soft" : ""}`}>
              <td className="figures pr-4">{b.started.slice(0, 16).replace("T", " ")}</td>
              <td className="pr-4 font-semibold wrap-anywhere">{b.recipe}</td>
              <td className="fraction pr-4">{b.size}</td>
              <td className="pr-4">{b.machine}</td>
              <td className="figures pr-4">{b.mark}</td>
              <td>{b.skip ? `left out: ${b.skip}` : "taken"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {log.bakes.length > shownRows && <p className="text-soft">and {log.bakes.length - shownRows} more</p>}
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <Button
          disabled={taken === 0 || !table || keep.isPending}
          onClick={() => keep.mutate({ body: { log: table }, key })}
          look="filled"
          size="large"
        >
          {keep.isPending ? "Importing …" : taken === 1 ? "Import 1 bake" : `Import ${taken} bakes`}
        </Button>
        {taken === 0 && <p className="text-soft">Nothing new to import.</p>}
        <TroubleNote error={keep.error} />
      </div>
    </section>
  );
}
