import type { LineText, ReadLine } from "../client/types.gen";

/** The nth line as it is written, for the server to put into the text. */
export function lineText(l: ReadLine, n: number): LineText {
  if (!l.amount || l.loose) return { amount: "", name: l.written, part: l.part, when: l.when, from: n + 1 };
  return {
    from: n + 1,
    amount: l.also ? `${l.amount} (${l.also})` : l.amount,
    name: l.asks ? l.named : l.name,
    or: l.or,
    optional: l.optional,
    note: l.note,
    part: l.part,
    when: l.when,
  };
}
