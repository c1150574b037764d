import { Button } from "../parts/Button";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Download, FolderUp } from "lucide-react";
import { type ChangeEvent, useState } from "react";
import { fetchKitchens, kitchenFile, restoreKitchen, swapKitchen } from "../client/api";
import { setKitchen } from "../client/kitchen";
import type { Restored } from "../client/types.gen";
import { Sheet } from "../parts/Sheet";
import { TroubleNote } from "../parts/Trouble";
import { newKey } from "../client/key";

/** The page begins anew in another kitchen. */
export function moveTo({ kitchen }: Restored) {
  setKitchen(kitchen);
  window.location.assign("/kitchen?drawer=Carry away");
}

/** All of the kitchen as one file, and back: nothing of it is lost, and what was here is kept aside. */
export function CarryAway({ name }: { name: string }) {
  const [asked, ask] = useState<{ file: File; key: string } | null>(null);
  const restore = useMutation({ mutationFn: ({ file, key }: { file: File; key: string }) => restoreKitchen(file, key), onSuccess: moveTo });
  const swap = useMutation({ mutationFn: swapKitchen, onSuccess: moveTo });
  const kitchens = useQuery({ queryKey: ["kitchens away"], queryFn: ({ signal }) => fetchKitchens(signal), staleTime: 0 });
  const away = kitchens.data?.away ?? [];
  const pick = (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = "";
    if (file) ask({ file, key: newKey() });
  };
  const close = () => {
    ask(null);
    restore.reset();
  };
  const button = "flex min-h-14 w-fit cursor-pointer items-center gap-2 rounded-tray px-6 text-lg font-bold";
  return (
    <div className="grid gap-8 lg:grid-cols-2">
      <section aria-labelledby="away">
        <h2 id="away" className="text-lg font-semibold">
          Carry it away
        </h2>
        <p className="mt-1 max-w-prose">
          Everything that {name} keeps in one open file: recipes with all their versions, machines, the log with what happened in each bake,
          photos, bags, settings. Keep it where this computer is not.
        </p>
        <a href={kitchenFile()} download className={`${button} mt-3 bg-rim text-on-rim`}>
          <Download size={22} aria-hidden="true" />
          Save the whole kitchen
        </a>
      </section>
      <section aria-labelledby="back">
        <h2 id="back" className="text-lg font-semibold">
          Restore
        </h2>
        <p className="mt-1 max-w-prose">A kitchen’s file takes the place of {name}, which is archived and can be restored.</p>
        <label className={`${button} mt-3 border-2 border-rim text-rim has-focus-visible:outline-3`}>
          <FolderUp size={22} aria-hidden="true" />
          Restore from a file
          <input type="file" accept=".json,application/json" onChange={pick} className="sr-only" />
        </label>
        {away.length > 0 && (
          <>
            <h3 className="mt-4 text-sm font-semibold text-soft">Earlier kitchens</h3>
            <ul className="divide-y divide-rule border-y border-rule">
              {away.map((k) => (
                <li key={k.id} className="flex flex-wrap items-baseline gap-4 py-2" data-away={k.id}>
                  <b>{k.name}</b>
                  <Button disabled={swap.isPending} onClick={() => swap.mutate(k.id)} look="text">
                    Replace this kitchen
                  </Button>
                </li>
              ))}
            </ul>
          </>
        )}
        <TroubleNote error={swap.error ?? kitchens.error} />
      </section>
      {asked && (
        <Sheet title={`Restore ${asked.file.name}?`} close={close}>
          <p className="mt-2 text-lg">{name} as it is now is archived, whole. The file’s kitchen takes its place. You can go back.</p>
          <div className="mt-2">
            <TroubleNote error={restore.error} />
          </div>
          <p className="mt-4 flex flex-wrap gap-3">
            <Button disabled={restore.isPending} onClick={() => restore.mutate(asked)} look="filled" size="medium">
              {restore.isPending ? "Restoring …" : "Restore this backup"}
            </Button>
            <Button onClick={close} size="medium">
              No change
            </Button>
          </p>
        </Sheet>
      )}
    </div>
  );
}
