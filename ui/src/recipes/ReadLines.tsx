import { Button } from "../parts/Button";
import { GripVertical } from "lucide-react";
import { useState } from "react";
import { useAnswerName } from "../client/recipes";
import type { LineText, ReadLine, RecipeRead } from "../client/types.gen";
import { LineSheet } from "./LineSheet";
import { lineText } from "./lineText";
import NameSheet from "./NameSheet";
import { weight } from "../parts/figures";

const columns = "grid grid-cols-[6.5rem_1fr_auto] md:grid-cols-[8.5rem_1fr_auto]";

interface Props {
  read: RecipeRead;
  lit: number | undefined; // the row of the text that is looked at
  light: (row: number) => void;
  write: (lines: LineText[]) => void;
}

/** The lines of a recipe as they were understood: each can be opened, asked about and moved. */
export function ReadLines({ read, lit, light, write }: Props) {
  const [open, setOpen] = useState<number | null>(null);
  const [asked, ask] = useState<ReadLine | null>(null);
  const [held, hold] = useState<number | null>(null);
  const texts = read.lines.map(lineText);
  const move = (from: number, to: number) => {
    if (to < 0 || to >= texts.length || from === to) return;
    const next = [...texts];
    const [moved] = next.splice(from, 1);
    const beside = texts[to];
    if (!moved || !beside) return;
    next.splice(to, 0, { ...moved, part: beside.part, when: beside.when });
    write(next);
  };
  const opened = open === null ? undefined : read.lines[open];
  return (
    <>
      <ol className="mt-1 divide-y divide-rule border-y border-rule">
        {read.lines.map((l, n) => (
          <li
            key={l.row * 100 + n}
            data-line={l.ingredient}
            data-lit={l.row === lit ? "" : undefined}
            onPointerEnter={() => light(l.row)}
            onFocus={() => light(l.row)}
            draggable
            onDragStart={() => hold(n)}
            onDragOver={(e) => e.preventDefault()}
            onDrop={() => held !== null && move(held, n)}
            className="flex items-start gap-1 data-lit:bg-shelf"
          >
            <GripVertical size={18} aria-hidden="true" className="mt-3 shrink-0 cursor-grab text-soft" />
            <div className="min-w-0 flex-1 py-1">
              <button
                type="button"
                onClick={() => setOpen(n)}
                onKeyDown={(e) => {
                  const by = e.altKey && { ArrowUp: -1, ArrowDown: 1 }[e.key];
                  if (!by) return;
                  e.preventDefault();
                  move(n, n + by);
                }}
                className={`${columns} min-h-11 w-full items-baseline gap-3 rounded-tray px-1 text-left hover:bg-shelf`}
              >
                <span className="fraction text-lg font-semibold">{l.amount || "—"}</span>
                <LineName line={l} />
                <span className="sr-only">change this line</span>
                <span className="figures text-soft">{l.grams > 0 && weight(l.grams, !!l.fine)}</span>
              </button>
              <LineQuestion line={l} ask={() => ask(l)} />
            </div>
          </li>
        ))}
      </ol>
      {opened && open !== null && (
        <LineSheet
          key={open}
          line={opened}
          number={open}
          close={() => setOpen(null)}
          keep={(line) => {
            write(line ? texts.map((t, n) => (n === open ? line : t)) : texts.filter((_, n) => n !== open));
            setOpen(null);
          }}
          move={(by) => {
            move(open, open + by);
            setOpen(null);
          }}
          ask={() => {
            ask(opened);
            setOpen(null);
          }}
        />
      )}
      {asked && (
        <NameSheet
          name={asked.named}
          is={asked.sure === "known" || asked.sure === "understood with a remark" ? asked.name : undefined}
          near={asked.near}
          close={() => ask(null)}
        />
      )}
    </>
  );
}

const whens: Record<string, string> = { beep: "at the beep", "first knead": "at the first knead", "warmed first": "warmed first" };

function LineName({ line: l }: { line: ReadLine }) {
  const aside = [
    l.note,
    l.also && `(${l.also})`,
    l.optional && "optional",
    l.when && whens[l.when],
    l.part && `for the ${l.part}`,
    l.loose && "not counted",
  ].filter(Boolean);
  return (
    <span className="min-w-0">
      <b className="text-lg">{l.name}</b>
      {l.or?.map((o) => ` or ${o}`)}
      {aside.length > 0 && <span className="text-soft"> · {aside.join(" · ")}</span>}
    </span>
  );
}

/** What is asked about a line, and what was taken for granted. */
function LineQuestion({ line: l, ask }: { line: ReadLine; ask: () => void }) {
  const unknown = l.sure === "unknown" || l.sure === "near miss";
  const tell = useAnswerName();
  return (
    <>
      {unknown && (
        <p data-asks className="mt-1 mb-2 flex flex-wrap items-center gap-2 border-l-4 border-rim pl-3">
          <span>
            {l.near ? "Did you mean" : <>“{l.named}” is not in the larder. Until you say what it is, it counts as something that spoils.</>}
          </span>
          {l.near?.map((n) => (
            <Button key={n.id} onClick={() => tell.mutate({ name: l.named, is: n.id })} look="filled">
              {n.name}
            </Button>
          ))}
          <Button onClick={ask}>{l.near ? "Something else" : "Say what it is"}</Button>
        </p>
      )}
      {l.doubt && (
        <p data-asks className="fraction mt-1 mb-2 border-l-4 border-rim pl-3">
          {l.doubt}
        </p>
      )}
      {(l.remark || l.slip || l.like) && !unknown && (
        <p className="mb-1 pl-1 text-sm text-soft">
          {[l.like && `like ${l.like}, as you said`, l.slip && `read from “${l.written}”`, l.remark !== l.note && l.remark]
            .filter(Boolean)
            .join(" · ")}
        </p>
      )}
    </>
  );
}
