import { Button, PressLink } from "../parts/Button";
import { useState } from "react";
import { useKeepBrought, useUndoBrought } from "../client/house";
import { useReadRecipe } from "../client/recipes";
import type { BringDone, Bringing, BroughtCard, RecipeRead } from "../client/types.gen";
import { Segments } from "../parts/Segments";
import { useSettled } from "../parts/settled";
import { TroubleNote } from "../parts/Trouble";
import { newKey } from "../client/key";

type As = "new" | "revision" | "leave";
type Standard = NonNullable<Bringing["cards"]>[number]["recipe"]["standard"];

interface Choice {
  name: string;
  text: string;
  as: As;
}

const first = (c: BroughtCard): As => (!c.read || c.same ? "leave" : c.twin ? "revision" : "new");

/** Recipes as they were understood, each to be kept, to be a revision of its twin, or left out. */
export function CardsBrought({ cards, standard }: { cards: BroughtCard[]; standard: Standard }) {
  const [choices, choose] = useState<Choice[]>(() => cards.map((c) => ({ name: c.name, text: c.read?.recipe.text ?? "", as: first(c) })));
  const [key] = useState(() => newKey());
  const keep = useKeepBrought();
  const set = (at: number, part: Partial<Choice>) => choose((all) => all.map((c, n) => (n === at ? { ...c, ...part } : c)));
  const kept = choices.filter((c) => c.as !== "leave").length;
  if (keep.data) return <Done done={keep.data} />;
  const body: Bringing = {
    cards: choices.flatMap((c, n) => {
      const { read, twin } = cards[n] ?? {};
      if (c.as === "leave" || !read) return [];
      const { kind, size, note } = read.recipe;
      const said = { standard, name: c.name.trim() || undefined, text: c.text, note };
      const recipe = c.text === read.recipe.text ? { ...said, kind, size } : said; // corrected: kind and size are read anew
      return [c.as === "revision" && twin ? { recipe, of: twin.id, revision: twin.revision } : { recipe }];
    }),
  };
  return (
    <section aria-label="What was understood" className="mt-2">
      <ul className="divide-y divide-rule border-y border-rule">
        {cards.map((c, n) => (
          <Card
            key={n}
            card={c}
            choice={choices[n] ?? { name: "", text: "", as: "leave" }}
            standard={standard}
            set={(part) => set(n, part)}
          />
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <Button disabled={kept === 0 || keep.isPending} onClick={() => keep.mutate({ body, key })} look="filled" size="large">
          {keep.isPending ? "Saving …" : kept === 1 ? "Save 1 recipe" : `Save ${kept} recipes`}
        </Button>
        {kept === 0 && <p className="text-soft">None is chosen.</p>}
        <TroubleNote error={keep.error} />
      </div>
    </section>
  );
}

interface CardProps {
  card: BroughtCard;
  choice: Choice;
  standard: Standard;
  set: (part: Partial<Choice>) => void;
}

function Card({ card, choice, standard, set }: CardProps) {
  const [correcting, correct] = useState(false);
  const settled = useSettled(choice.text);
  const again = useReadRecipe({ standard, name: card.name || undefined, text: correcting ? settled : "" });
  const read = (correcting && again.data) || card.read;
  if (!read)
    return (
      <li className="py-3">
        <b className="text-lg">{card.name || "A recipe without a name"}</b> <span className="text-signal">{card.problem}</span>
      </li>
    );
  const problem = read.problem && `It can’t be saved yet: ${read.problem}`;
  return (
    <li data-card={card.name} className="py-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-lg font-bold wrap-anywhere">{choice.name || "A recipe without a name"}</h2>
        <p>
          <span className="fraction font-semibold">{read.recipe.size}</span>
          {read.inferred && " by its flour"} · {read.recipe.kind} · {read.lines.length} lines
          {read.asks > 0 && <b className="text-moved"> · {read.asks} to be asked about</b>}
        </p>
      </div>
      {card.same && <p className="text-soft">You already have this recipe.</p>}
      {card.lost && <p className="text-soft">Not taken over: {card.lost.join(", ")}.</p>}
      {problem && <p className="text-signal">{problem}</p>}
      {card.oven && (
        <details open className="mt-1 border-l-4 border-rim pl-3">
          <summary className="cursor-pointer font-semibold">This is an oven recipe. Changes for a machine:</summary>
          <ul className="fraction">
            {card.oven.map((o) => (
              <li key={(o.says ?? "") + o.so}>
                {o.says && <span className="text-soft">“{o.says}” </span>}
                {o.so}
              </li>
            ))}
          </ul>
        </details>
      )}
      <Lines read={read} />
      {correcting && (
        <label className="mt-1 block font-semibold">
          Its name
          <input
            value={choice.name}
            onChange={(e) => set({ name: e.target.value })}
            maxLength={120}
            className="mt-1 block h-12 w-full rounded-tray border-2 border-rim bg-enamel px-3 text-lg font-normal"
          />
        </label>
      )}
      {correcting && (
        <label className="mt-1 block font-semibold">
          As it is read
          <textarea
            value={choice.text}
            onChange={(e) => set({ text: e.target.value })}
            rows={10}
            className="mt-1 block w-full rounded-tray border-2 border-rim bg-enamel p-3 font-normal"
          />
        </label>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <Segments<As>
          label={`What to do with ${choice.name}`}
          value={choice.as}
          pick={(as) => set({ as })}
          className="min-h-11 content-center px-4 font-semibold"
          segments={[
            { value: "new", label: "save as a new one", show: card.twin ? "Keep both" : "Save recipe", disabled: !!read.problem },
            ...(card.twin
              ? ([
                  { value: "revision", label: "as the next version", show: "As a new version of your recipe", disabled: !!read.problem },
                ] as const)
              : []),
            { value: "leave", label: "leave it out", show: "Leave it out" },
          ]}
        />
        <Button onClick={() => correct(!correcting)} look="text">
          {correcting ? "Close its text" : "Edit"}
          <span className="sr-only">: {card.name}</span>
        </Button>
      </div>
    </li>
  );
}

function Lines({ read }: { read: RecipeRead }) {
  return (
    <ul className="fraction mt-1 grid gap-x-6 sm:grid-cols-2">
      {read.lines.map((l) => (
        <li key={`${l.row} ${l.written}`} className={l.asks ? "font-semibold text-moved" : ""}>
          {l.amount} {l.asks ? l.named : l.name}
          {l.part && <span className="text-soft"> · {l.part}</span>}
          {l.asks && " ?"}
        </li>
      ))}
    </ul>
  );
}

/** What was kept, and the way to take all of it back. */
export function Done({ done }: { done: BringDone }) {
  const undo = useUndoBrought();
  const now = undo.data ?? done;
  return (
    <section aria-label="Kept" role="status" className="mt-4 border-y border-rule py-3">
      <p className="text-lg font-semibold">
        {now.undone
          ? "The import is undone: new recipes and bakes are archived, new versions undone, absences removed."
          : [
              done.recipes.length > 0 &&
                (done.recipes.length === 1 ? "One recipe is on the shelf." : `${done.recipes.length} recipes are on the shelf.`),
              done.hours && (done.hours === 1 ? "One absence is noted." : `${done.hours} absences are noted.`),
              done.bakes > 0 && (done.bakes === 1 ? "One bake is in the log." : `${done.bakes} bakes are in the log.`),
            ]
              .filter(Boolean)
              .join(" ")}
      </p>
      {!now.undone && (
        <>
          <ul>
            {done.recipes.map((r) => (
              <li key={r.id}>
                <PressLink to={`/?recipe=${r.id}`} size="small">
                  Plan {r.name}
                </PressLink>
                {r.revision > 1 && <span className="text-soft"> · version {r.revision}</span>}
              </li>
            ))}
          </ul>
          <Button disabled={undo.isPending} onClick={() => undo.mutate(done.id)} look="text">
            {undo.isPending ? "Undoing …" : "Undo import"}
          </Button>
        </>
      )}
      <TroubleNote error={undo.error} />
    </section>
  );
}
