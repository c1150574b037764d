import { ChevronDown } from "lucide-react";
import { useState } from "react";
import type { RecipeOnShelf, Shelf } from "../client/types.gen";
import { Closed } from "../parts/Closed";
import { later } from "../parts/later";
import type { Turned } from "../parts/turned";

export interface RecipePickerProps {
  shelf: Shelf;
  recipe: RecipeOnShelf;
  pick: (id: string) => void;
}

const { fetch, Part } = later(() => import("./RecipeList"));

/** The recipe by its name; a press or a key opens the list of all. */
export function RecipePicker(props: RecipePickerProps) {
  const [turned, turn] = useState<Turned>("");
  const closed = (
    <Closed
      label={`Recipe: ${props.recipe.name}`}
      fetch={fetch}
      turn={turn}
      className="relative block w-full rounded-tray text-left hover:bg-shelf"
    >
      <RecipeName name={props.recipe.name} className="" />
      <ChevronDown size={20} aria-hidden="true" className="absolute top-3.5 right-2.5 text-rim" />
    </Closed>
  );
  return <Part {...props} turned={turned} instead={closed} />;
}

/** A recipe's name as it heads the sheet; a long one is set smaller and wraps. */
export function RecipeName({ name, className }: { name: string; className: string }) {
  return (
    <p
      aria-hidden="true"
      className={`pointer-events-none min-h-12 content-center pr-10 pl-2 font-bold break-words ${lettering(name)} ${className}`}
    >
      {name}
    </p>
  );
}

function lettering(name: string): string {
  if (name.length > 60) return "text-sm leading-5";
  if (name.length > 26) return "text-lg leading-6";
  return "text-xl leading-9";
}
