import { Button, PressLink } from "../parts/Button";
import { useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { useShelf } from "../client/queries";
import { useBeginRehearsal } from "../client/rehearsals";
import type { Rehearse } from "../client/types.gen";
import { Picker } from "../parts/Picker";
import { TroubleNote } from "../parts/Trouble";
import { useWish } from "../plan/wish";

const slips: NonNullable<Rehearse["slip"]>[] = [
  "",
  "twice the yeast",
  "half the yeast",
  "no yeast",
  "no salt",
  "flour packed into the cup",
  "too much water",
  "liquid far too hot",
  "weak flour",
  "the paddle forgotten",
];

/** Before a rehearsal: the loaf, and what may go wrong on purpose. */
export function Begin() {
  const shelf = useShelf();
  const [chosen] = useWish(shelf.data);
  const [slip, setSlip] = useState<NonNullable<Rehearse["slip"]>>("");
  const begin = useBeginRehearsal();
  const navigate = useNavigate();
  const { search } = useLocation();
  return (
    <div className="mx-auto w-full max-w-3xl px-6 py-6">
      <h1 className="text-xl font-bold">Practise {chosen?.recipe.name ?? "…"}</h1>
      <p className="mt-2 max-w-prose text-lg">
        A whole bake without flour: press the panel of {chosen?.machine.name ?? "the machine"} as the plan says, look through its window,
        answer what the program asks. Its clock runs up to 600 times as fast, and stands still where hands are wanted.
      </p>
      <div className="mt-4 flex flex-wrap items-center gap-3 text-lg">
        Make a deliberate mistake
        <Picker
          label="What goes wrong"
          value={slip}
          pick={(s) => setSlip(slips.find((known) => known === s) ?? "")}
          choices={slips.map((s) => ({ id: s, name: s === "" ? "all as planned" : s }))}
        />
      </div>
      <div className="mt-4">
        <TroubleNote error={begin.error} />
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <Button
          disabled={!chosen || begin.isPending}
          onClick={() =>
            chosen &&
            begin.mutate({ wish: chosen.wish, slip }, { onSuccess: (made) => navigate(`/rehearse/${made.id}${search}`, { replace: true }) })
          }
          look="filled"
          size="large"
        >
          {begin.isPending ? "Setting it up …" : "Start practising"}
        </Button>
        <PressLink to={`/${search}`}>Back to the plan</PressLink>
      </div>
    </div>
  );
}
