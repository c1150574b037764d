import { useEffect, useRef } from "react";
import type { RecipeRowRead } from "../client/types.gen";

interface Props {
  text: string;
  write: (text: string) => void;
  rows: readonly RecipeRowRead[]; // what became of them; none while they are being read
  lit: number | undefined; // the row that is looked at, from 1
  light: (row: number) => void;
  placeholder: string;
  wrong: boolean;
}

const marks: Record<RecipeRowRead["as"], string> = {
  ingredient: "border-rim",
  title: "border-rule",
  heading: "border-rule",
  settings: "border-rule",
  method: "border-rule",
  "not used": "border-rule border-dotted",
};

/** The card as it is written. A mark beside each row shows what it was read as, and the row that is looked at is lit. */
export function CardText({ text, write, rows, lit, light, placeholder, wrong }: Props) {
  const written = useRef<HTMLTextAreaElement>(null);
  const behind = useRef<HTMLDivElement>(null);
  const as = new Map(rows.map((r) => [r.row, r.as]));
  const follow = () => {
    if (behind.current && written.current) behind.current.scrollTop = written.current.scrollTop;
  };
  useEffect(() => {
    const row = lit === undefined ? undefined : behind.current?.children[lit - 1];
    if (!(row instanceof HTMLElement) || !written.current) return;
    const { scrollTop, clientHeight } = written.current;
    if (row.offsetTop < scrollTop || row.offsetTop + row.offsetHeight > scrollTop + clientHeight) {
      written.current.scrollTop = row.offsetTop - clientHeight / 3;
    }
  }, [lit]);
  const typeface = "px-3 py-2 text-lg leading-7 break-words whitespace-pre-wrap";
  return (
    <>
      <label htmlFor="card-text" className="mt-2 block font-semibold">
        Ingredients, or the whole card
      </label>
      <div className="relative mt-1 rounded-tray bg-enamel">
        <div ref={behind} aria-hidden="true" className={`absolute inset-0.5 overflow-hidden text-transparent ${typeface}`}>
          {text.split("\n").map((row, n) => {
            const was = as.get(n + 1);
            return (
              <div
                key={n}
                data-row={was}
                data-lit={was && lit === n + 1 ? "" : undefined}
                className={`-ml-2.5 min-h-7 border-l-4 pl-1.5 data-lit:bg-shelf ${was ? marks[was] : "border-transparent"}`}
              >
                {row}
              </div>
            );
          })}
        </div>
        <textarea
          id="card-text"
          ref={written}
          value={text}
          onChange={(e) => write(e.target.value)}
          onScroll={follow}
          onSelect={(e) => light(e.currentTarget.value.slice(0, e.currentTarget.selectionStart).split("\n").length)}
          rows={14}
          placeholder={placeholder}
          aria-invalid={wrong}
          aria-describedby="text-help"
          className={`relative block w-full rounded-tray border-2 border-rim bg-transparent aria-invalid:border-signal ${typeface}`}
        />
      </div>
    </>
  );
}
