import { said } from "./said";
import { Picker } from "./Picker";
import { kinds } from "../recipes/kinds";

interface Props {
  words: string;
  look: (words: string) => void;
  among: string; // what the words are looked for in
  kind: string;
  pick: (kind: string) => void;
}

/** What a long list is searched by: words, and the kind of thing. */
export function Find({ words, look, among, kind, pick }: Props) {
  return (
    <>
      <label className="flex min-h-12 items-center gap-2 font-semibold">
        Find
        <input
          type="search"
          value={words}
          placeholder={among}
          onChange={(e) => look(e.target.value)}
          maxLength={120}
          className="h-11 w-56 rounded-tray border-2 border-rim bg-enamel px-3 text-lg"
        />
      </label>
      <Picker
        label="Kind"
        value={kind}
        pick={pick}
        choices={[{ id: "", name: "every kind" }, ...kinds.map((k) => ({ id: k, name: said(k) }))]}
      />
    </>
  );
}
