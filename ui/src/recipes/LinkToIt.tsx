import { Button } from "../parts/Button";
import { useMutation, useQuery } from "@tanstack/react-query";
import { fetchKitchens, shareAt } from "../client/api";
import { TroubleNote } from "../parts/Trouble";

/** A link by which another kitchen on this server copies a recipe. The owner makes it and takes it back. */
export function LinkToIt({ recipe }: { recipe: string }) {
  const house = useQuery({ queryKey: ["kitchens"], queryFn: ({ signal }) => fetchKitchens(signal), staleTime: Infinity }).data;
  const share = useMutation({ mutationFn: (on: boolean) => shareAt(`/recipes/${recipe}/link`, on) });
  if (house?.me && house.me.role !== "owner") return null;
  const path = share.data?.path;
  return (
    <div className="mt-3">
      <p className="flex flex-wrap gap-x-6">
        <Button disabled={share.isPending} onClick={() => share.mutate(true)} look="text">
          {path ? "Make another link" : "Make a link for another kitchen here"}
        </Button>
        <Button disabled={share.isPending} onClick={() => share.mutate(false)} look="text">
          Stop sharing
        </Button>
      </p>
      {path && (
        <p className="rounded-tray border-2 border-rim p-2 font-semibold break-all select-all" data-link>
          {share.data?.whole?.[0] ?? window.location.origin + path}
        </p>
      )}
      {share.data && !path && (
        <p role="status" className="text-soft">
          No link leads to this recipe now.
        </p>
      )}
      <TroubleNote error={share.error} />
    </div>
  );
}
