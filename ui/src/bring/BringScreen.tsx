import { FileUp } from "lucide-react";
import { type ChangeEvent, useState } from "react";
import { useShelf } from "../client/queries";
import { Button } from "../parts/Button";
import { fileButton } from "../parts/fileButton";
import { TroubleNote } from "../parts/Trouble";
import { CardsBrought } from "./CardsBrought";
import { HoursBrought } from "./HoursBrought";
import { LogBrought } from "./LogBrought";
import { named, plain, type Understood, useReading } from "./reading";

/** The one place where things are brought in: pasted, dropped or chosen; understood before any of it is kept. */
export default function BringScreen() {
  const [text, write] = useState("");
  const standard = useShelf().data?.kitchen.standard ?? "us";
  const { understood, waiting, count, read, stop } = useReading();
  const pick = (e: ChangeEvent<HTMLInputElement>) => {
    read([...(e.target.files ?? [])]);
    e.target.value = "";
  };
  const cards = understood.flatMap((u) => u.brought?.cards ?? []);
  const reading = waiting.length > 0;
  const all = understood.length + waiting.length;
  return (
    <div className="w-full px-6 py-4">
      <h1 className="text-xl font-bold">Import</h1>
      <p className="text-lg text-soft">
        A recipe (text, web page or file), a bake log (CSV) or a calendar; one file, several, or a ZIP archive. Nothing is fetched from
        elsewhere, and nothing is saved until you confirm.
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
          <Button disabled={!text.trim() || reading} onClick={() => read([plain(text)])} look="filled" size="large">
            {reading ? "Reading …" : "Check what was pasted"}
          </Button>
          <label className={`min-h-14 px-6 text-lg ${fileButton}`}>
            <FileUp size={22} aria-hidden="true" />
            Choose files
            <input
              type="file"
              multiple
              accept=".txt,.md,.html,.htm,.json,.jsonld,.csv,.ics,.mhtml,.zip,text/*,application/json,application/ld+json,application/zip"
              disabled={reading}
              onChange={pick}
              className="sr-only"
            />
          </label>
        </div>
      </div>
      <p className="mt-1 text-sm text-soft">Or drop files anywhere on this page.</p>
      <div className="mt-2" role="status">
        {reading && all > 1 && (
          <p className="flex flex-wrap items-center gap-3 text-lg">
            <progress max={all} value={understood.length} aria-label="Files read" className="h-3 w-40 accent-rim" />
            Reading {named(waiting[0] ?? new Blob())}: {understood.length + 1} of {all}
            <Button onClick={stop}>Stop</Button>
          </p>
        )}
        <NotRead understood={understood} />
      </div>
      {cards.length > 0 && !reading && <CardsBrought key={count} cards={cards} standard={standard} />}
      {understood.map(({ brought, table }, n) => (
        <div key={`${count} ${n}`}>
          {brought?.calendar && <HoursBrought calendar={brought.calendar} />}
          {brought?.log && <LogBrought log={brought.log} table={table} />}
        </div>
      ))}
    </div>
  );
}

/** The files that could not be read, each with its reason. */
function NotRead({ understood }: { understood: readonly Understood[] }) {
  return understood.flatMap(({ name, brought, trouble }, n) => [
    ...(trouble
      ? [
          <div key={n}>
            {name && <b>{name}</b>}
            <TroubleNote error={trouble} />
          </div>,
        ]
      : []),
    ...(brought?.files ?? [])
      .filter((f) => f.problem)
      .map((f) => (
        <p key={`${n} ${f.name}`} className="border-l-4 border-signal pl-3">
          <b>{f.name}:</b> {f.problem}
        </p>
      )),
  ]);
}
