import { Button, PressLink } from "../parts/Button";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { Trouble } from "../client/api";
import { useRecipe, useShelf } from "../client/queries";
import { useKeepRecipe, useReadRecipe, useWriteLines } from "../client/recipes";
import type { RecipePasted, RecipeText } from "../client/types.gen";
import { useDraft } from "../parts/draft";
import { useSettled } from "../parts/settled";
import { TroubleNote } from "../parts/Trouble";
import { Picker } from "../parts/Picker";
import { CardPhotos } from "./CardPhotos";
import { CardText } from "./CardText";
import { LinkToIt } from "./LinkToIt";
import { Meanwhile } from "./Meanwhile";
import { said } from "../parts/said";
import { kinds } from "./kinds";
import { FinishFields } from "./FinishFields";
import { ReadCard } from "./ReadCard";
import { SeveralRecipes } from "./SeveralRecipes";

const sizes = ["1 lb", "1 1/2 lb", "2 lb", "2 1/2 lb", "500 g", "750 g", "1000 g"];
const example =
  "1 cup water\n1 tbsp honey or sugar\n2 tbsp oil\n1 1/2 tsp salt\n3 cups bread flour\n1 3/4 tsp active dry yeast\nAdd-ins:\n1/2 cup raisins (optional)";

/** Writing a recipe as one writes a card; what is understood stands beside it. */
export default function RecipeEditor() {
  const { id } = useParams();
  const stored = useRecipe(id);
  const standard = useShelf().data?.kitchen.standard;
  if (stored.error)
    return (
      <div className="p-8">
        <TroubleNote error={stored.error} />
      </div>
    );
  if ((id && !stored.data) || !standard) return <p className="p-8 text-lg text-soft">Loading recipe …</p>;
  return (
    <Card
      key={id ?? "new"}
      id={id}
      revision={stored.data?.revision}
      start={stored.data?.recipe ?? { standard, text: "" }}
      look={() => void stored.refetch()}
    />
  );
}

interface CardProps {
  id: string | undefined;
  revision: number | undefined; // that is being changed
  start: RecipeText;
  look: () => void; // again, at what is kept
}

function Card({ id, revision, start, look }: CardProps) {
  const [recipe, write, forgetText] = useDraft(`recipe ${id ?? "new"}`, start);
  const [base, pin, forgetBase] = useDraft(`recipe ${id ?? "new"} was`, revision); // the revision that is being changed
  const change = (part: Partial<RecipeText>) => {
    if (revision !== undefined) pin((was) => was);
    write((before) => ({ ...before, ...part }));
  };
  const [rest, keepRest, forgetRest] = useDraft<RecipePasted[]>(`recipe ${id ?? "new"} rest`, []);
  const forget = () => {
    forgetText();
    forgetBase();
  };
  const take = (one: RecipePasted, others: RecipePasted[]) => {
    keepRest(() => others);
    write(() => ({ ...start, text: one.text }));
  };
  const theirs = base !== undefined && revision !== undefined && revision > base ? revision : undefined;
  const [lit, light] = useState<number>(); // the row of the card that is looked at
  const settled = useSettled(recipe);
  const read = useReadRecipe(settled);
  const several = (!id && read.data?.several) || [];
  const lines = useWriteLines();
  const keep = useKeepRecipe(id, base);
  const navigate = useNavigate();
  const problem = keep.error instanceof Trouble ? keep.error.problem : read.error instanceof Trouble ? read.error.problem : undefined;
  const at = (pointer: string) => (problem?.pointer === pointer ? problem.detail : undefined);
  const save = () =>
    keep.mutate(recipe, {
      onSuccess: (kept) => {
        const [next, ...others] = rest;
        if (next) return take(next, others);
        forget();
        navigate(`/?recipe=${kept.id}`);
      },
      onError: look,
    });
  const field = "mt-1 block w-full rounded-tray border-2 border-rim bg-enamel px-3 text-lg aria-invalid:border-signal";
  return (
    <div className="w-full px-6 py-4">
      <p>
        <PressLink to="/recipes" size="small">
          Recipes
        </PressLink>
      </p>
      <h1 className="text-xl font-bold">{id ? `Edit ${start.name}` : "A new recipe"}</h1>
      <div className="mt-2 grid gap-8 lg:grid-cols-2">
        <div>
          <label className="block font-semibold">
            Name
            <input
              value={recipe.name ?? ""}
              onChange={(e) => change({ name: e.target.value || undefined })}
              placeholder={read.data?.recipe.name || "Recipe name"}
              maxLength={120}
              aria-invalid={!!at("/name")}
              className={`${field} h-12`}
            />
          </label>
          <Fault text={at("/name")} />
          <div className="mt-2 flex flex-wrap items-center gap-4">
            <Picker
              label="Kind"
              value={recipe.kind ?? ""}
              choices={[{ id: "", name: "Type: automatic" }, ...kinds.map((k) => ({ id: k, name: said(k) }))]}
              pick={(k) => change({ kind: kinds.find((known) => known === k) })}
            />
            <Picker
              label="Written for"
              value={recipe.size ?? ""}
              choices={[{ id: "", name: "size as the card says" }, ...sizes.map((s) => ({ id: s, name: s }))]}
              pick={(s) => change({ size: s || undefined })}
            />
          </div>
          <CardText
            text={recipe.text}
            write={(text) => change({ text })}
            rows={read.data?.recipe.text === recipe.text ? (read.data.rows ?? []) : []}
            lit={lit}
            light={light}
            placeholder={example}
            wrong={!!at("/text")}
          />
          <Fault text={at("/text")} />
          <p id="text-help" className="text-xs text-soft">
            Paste it as it is: title, ingredients, sizes in columns, method. “or” gives a choice, “Glaze:” or “Add-ins:” begins a part. A
            thick line stands beside an ingredient, a dotted one beside what is not used.
          </p>
          {(recipe.kind ?? read.data?.recipe.kind) === "dough" && (
            <FinishFields finish={recipe.finish} change={(finish) => change({ finish })} fault={at} />
          )}
          {id && <CardPhotos recipe={id} />}
          {id && <LinkToIt recipe={id} />}
          <label className="mt-2 block font-semibold">
            Note
            <input
              value={recipe.note ?? ""}
              onChange={(e) => change({ note: e.target.value || undefined })}
              maxLength={400}
              className={`${field} h-12`}
            />
          </label>
        </div>
        <section aria-labelledby="understood">
          <h2 id="understood" className="text-sm font-semibold text-soft">
            What we read
          </h2>
          {!id && <SeveralRecipes found={several} rest={rest} take={take} leave={forgetRest} />}
          {several.length > 0 ? null : read.data ? (
            <ReadCard
              read={read.data}
              lit={lit}
              light={light}
              write={(next) =>
                lines.mutate(
                  { ...recipe, lines: next },
                  {
                    onSuccess: (now) => change({ text: now.recipe.text, name: recipe.name ?? (now.recipe.name || read.data?.recipe.name) }),
                  },
                )
              }
              trust={(size) => change({ size })}
            />
          ) : (
            <p className="text-lg text-soft">Your recipe appears here as you type.</p>
          )}
          {read.data?.problem && <p className="mt-2 border-l-4 border-rim pl-3 text-lg">{read.data.problem}</p>}
          <TroubleNote error={lines.error} />
          {id && theirs ? (
            <Meanwhile
              id={id}
              mine={recipe}
              theirs={theirs}
              done={(leave) => {
                forget();
                keep.reset();
                if (leave) navigate(`/?recipe=${id}`);
              }}
            />
          ) : (
            <Button onClick={save} disabled={keep.isPending || several.length > 0} look="filled" size="large" className="mt-6">
              {keep.isPending ? "Saving …" : id ? "Save as new version" : "Save recipe"}
            </Button>
          )}
          {problem && !theirs && !["/name", "/text"].includes(problem.pointer ?? "") && (
            <div className="mt-3">
              <TroubleNote error={keep.error ?? read.error} />
            </div>
          )}
        </section>
      </div>
    </div>
  );
}

const Fault = ({ text }: { text: string | undefined }) => (
  <p role="status" className="text-sm text-signal">
    {text}
  </p>
);
