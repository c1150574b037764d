import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { X } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { useShelf } from "../client/queries";
import { setSingleKeys, singleKeys } from "../parts/singleKeys";
import { glossary, type Term, termsFor } from "./glossary";
import { pages, topics } from "./pages";

interface Props {
  screen: string; // its title
  keys: { key: string; says: string }[]; // that lead to screens
  word?: string; // a term to begin with
  close: () => void;
}

// The keys beside those of screens.
const others: readonly [string, string][] = [
  ["1 2 3", "First, second, third loaf size, on Plan"],
  ["Space", "Next step, at the bench; the arrow keys go on and back"],
  ["Arrow keys", "Move a loaf of the day; Enter puts it there"],
  ["/", "Search"],
  ["?", "This help"],
  ["Esc", "Close what is open"],
];

/** What the open screen is for, the words of bread, the keys; and a search through all of it and the kitchen. */
export default function Help({ screen, keys, word = "", close }: Props) {
  const [text, look] = useState(word);
  const page = pages[screen];
  return (
    <Dialog open onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/60" aria-hidden="true" />
      <div className="fixed inset-0 flex justify-end">
        <DialogPanel className="h-full w-[34rem] max-w-full overflow-y-auto border-rim bg-enamel p-4 md:border-l-4 md:p-6">
          <div className="flex items-center justify-between gap-4">
            <DialogTitle className="text-xl font-bold">Help</DialogTitle>
            <button
              type="button"
              onClick={close}
              aria-label="Close help"
              className="grid size-11 place-items-center rounded-tray text-rim hover:bg-shelf"
            >
              <X size={24} aria-hidden="true" />
            </button>
          </div>
          <input
            type="search"
            aria-label="Search words, recipes, bakes and settings"
            placeholder="Search words, recipes, bakes, settings"
            value={text}
            onChange={(e) => look(e.target.value.replace(/^\//, ""))}
            autoFocus={!!word || !page}
            data-autofocus
            className="mt-2 h-12 w-full rounded-tray border-2 border-rim bg-enamel px-3 text-lg"
          />
          {text.trim() ? (
            <Found text={text} keys={keys} close={close} />
          ) : (
            <>
              {page && (
                <section aria-labelledby="this-screen" className="mt-4">
                  <h2 id="this-screen" className="text-lg font-bold">
                    {screen}
                  </h2>
                  <p className="mt-1">{page.is}</p>
                  <ul className="mt-2 list-disc space-y-1 pl-6">
                    {page.acts.map((a) => (
                      <li key={a}>{a}</li>
                    ))}
                  </ul>
                </section>
              )}
              <Keys keys={keys} />
              <section aria-labelledby="words" className="mt-6">
                <h2 id="words" className="text-lg font-bold">
                  Words
                </h2>
                <Terms of={glossary} />
              </section>
            </>
          )}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Terms({ of }: { of: readonly Term[] }) {
  return (
    <dl className="mt-1 divide-y divide-rule">
      {of.map((t) => (
        <div key={t.word} className="py-2">
          <dt className="font-bold">{t.word}</dt>
          <dd>{t.means}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What the words were found in: terms, settings, screens, recipes, and the lists that can be searched further. */
function Found({ text, keys, close }: { text: string; keys: Props["keys"]; close: () => void }) {
  const shelf = useShelf().data;
  const words = text.trim().toLowerCase();
  const has = (s: string) => words.split(/\s+/).every((w) => s.toLowerCase().includes(w));
  const terms = termsFor(text);
  const settings = topics.filter((t) => has(`${t.name} ${t.also}`));
  const screens = Object.entries(pages).filter(([name]) => has(name) && keys.some((k) => k.says.includes(name)));
  const recipes = (shelf?.recipes ?? []).filter((r) => has(r.name)).slice(0, 6);
  const find = encodeURIComponent(text.trim());
  const link = "flex min-h-11 items-center font-semibold text-rim underline";
  return (
    <div role="status" className="mt-3">
      {recipes.map((r) => (
        <Link key={r.id} to={`/?recipe=${r.id}`} onClick={close} className={link}>
          Plan {r.name}
        </Link>
      ))}
      {settings.map((t) => (
        <div key={t.name} className="py-2">
          <p className="font-bold">{t.name}</p>
          <p>{t.means}</p>
          {t.to && (
            <Link to={t.to} onClick={close} className={link}>
              Open {t.name.toLowerCase()}
            </Link>
          )}
        </div>
      ))}
      {screens.map(([name, page]) => (
        <p key={name} className="py-2">
          <b>{name}</b>: {page.is}
        </p>
      ))}
      {terms.length > 0 && <Terms of={terms} />}
      {terms.length + settings.length + recipes.length === 0 && (
        <p className="py-2">No word of the glossary and no setting is called that.</p>
      )}
      <Link to={`/recipes?find=${find}`} onClick={close} className={link}>
        Find “{text.trim()}” in your recipes
      </Link>
      <Link to={`/log?find=${find}`} onClick={close} className={link}>
        Find “{text.trim()}” in your log
      </Link>
    </div>
  );
}

function Keys({ keys }: { keys: Props["keys"] }) {
  const [on, set] = useState(singleKeys);
  return (
    <details className="mt-6 max-md:hidden">
      <summary className="min-h-8 cursor-pointer text-lg font-bold">Keyboard shortcuts</summary>
      <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
        {[...keys.map(({ key, says }) => [key.toUpperCase(), says] as const), ...others].map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="figures font-bold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <label className="mt-2 flex min-h-11 items-center gap-2 font-semibold">
        <input
          type="checkbox"
          checked={on}
          onChange={(e) => {
            setSingleKeys(e.target.checked);
            set(e.target.checked);
          }}
          className="size-6 accent-rim"
        />
        Shortcuts of a single key
      </label>
    </details>
  );
}
