import { Button } from "../parts/Button";
import { useQuery } from "@tanstack/react-query";
import { useLocation, useNavigate } from "react-router";
import { fetchLinked } from "../client/api";
import { at } from "../client/kitchen";
import { useCopyLinked } from "../client/recipes";
import { TroubleNote } from "../parts/Trouble";

/** A recipe that another kitchen made a link to: shown, and copied into this one. */
export default function CopyScreen() {
  const secret = useLocation().hash.slice(1);
  const navigate = useNavigate();
  const linked = useQuery({ queryKey: at("linked", secret), queryFn: () => fetchLinked(secret), retry: false, gcTime: 0 });
  const copy = useCopyLinked();
  return (
    <div className="w-full max-w-3xl px-6 py-4">
      <h1 className="text-xl font-bold">{linked.data ? linked.data.recipe.name : "A recipe from another kitchen"}</h1>
      <TroubleNote error={linked.error ?? copy.error} />
      {linked.isPending && <p className="mt-2 text-lg text-soft">Reading the card …</p>}
      {linked.data && (
        <>
          <p className="text-soft">From {linked.data.kitchen}</p>
          <p className="mt-3 border-y border-rule py-3 text-lg leading-8 whitespace-pre-line">{linked.data.recipe.text}</p>
          {linked.data.recipe.note && <p className="mt-2">{linked.data.recipe.note}</p>}
          <Button
            disabled={copy.isPending}
            onClick={() => copy.mutate(secret, { onSuccess: (kept) => navigate(`/?recipe=${kept.id}`) })}
            look="filled"
            size="large"
            className="mt-4"
          >
            {copy.isPending ? "Copying …" : "Copy it into this kitchen"}
          </Button>
        </>
      )}
    </div>
  );
}
