import { Button } from "../parts/Button";
import { FileUp } from "lucide-react";
import { type ChangeEvent, useEffect, useState } from "react";
import { useBring } from "../client/house";
import { useShelf } from "../client/queries";
import { takeDropped, useDropped } from "../parts/dropped";
import { fileButton } from "../parts/fileButton";
import { TroubleNote } from "../parts/Trouble";
import { CardsBrought } from "./CardsBrought";
import { HoursBrought } from "./HoursBrought";
import { LogBrought } from "./LogBrought";

/** The one place where things are brought in: pasted, dropped or chosen; understood before any of it is kept. */
export default function BringScreen() {
  const [text, write] = useState("");
  const [log, keepLog] = useState(""); // the table itself, to be sent again when it is kept
  const [count, next] = useState(0); // of what was brought, so that each begins anew
  const dropped = useDropped();
  const bring = useBring();
  const standard = useShelf().data?.kitchen.standard ?? "us";
  const { mutate } = bring;
  const understand = (file: Blob) => {
    next((n) => n + 1);
    mutate(file, { onSuccess: (b) => b.log && void file.text().then(keepLog) });
  };
  useEffect(() => {
    if (!dropped) return;
    takeDropped();
    next((n) => n + 1);
    mutate(dropped, { onSuccess: (b) => b.log && void dropped.text().then(keepLog) });
  }, [dropped, mutate]);
  const pick = (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = "";
    if (file) understand(file);
  };
  const { cards, log: table, calendar } = bring.data ?? {};
  return (
    <div className="w-full px-6 py-4">
      <h1 className="text-xl font-bold">Bring something in</h1>
      <p className="text-lg text-soft">
        A card, a saved page, JSON-LD, Markdown, a log as a table, or a calendar of when nobody is home. Nothing is fetched from elsewhere,
        and nothing is kept before you say so.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <label className="block min-w-0 flex-1 font-semibold">
          Paste it here
          <textarea
            value={text}
            onChange={(e) => write(e.target.value)}
            rows={4}
            className="mt-1 block w-full rounded-tray border-2 border-rim bg-enamel p-3 text-base font-normal"
          />
        </label>
        <div className="flex flex-wrap gap-3">
          <Button
            disabled={!text.trim() || bring.isPending}
            onClick={() => understand(new Blob([text], { type: "text/plain" }))}
            look="filled"
            size="large"
          >
            {bring.isPending ? "Reading …" : "Read it"}
          </Button>
          <label className={`min-h-14 px-6 text-lg ${fileButton}`}>
            <FileUp size={22} aria-hidden="true" />
            Choose a file
            <input
              type="file"
              accept=".txt,.md,.html,.htm,.json,.jsonld,.csv,.ics,text/*,application/json,application/ld+json"
              disabled={bring.isPending}
              onChange={pick}
              className="sr-only"
            />
          </label>
        </div>
      </div>
      <p className="mt-1 text-sm text-soft">Or drop a file anywhere on this page.</p>
      <div className="mt-2" role="status">
        <TroubleNote error={bring.error} />
      </div>
      {cards && <CardsBrought key={count} cards={cards} standard={standard} />}
      {calendar && <HoursBrought key={`hours ${count}`} calendar={calendar} />}
      {table && <LogBrought key={`log ${count}`} log={table} table={log} />}
    </div>
  );
}
