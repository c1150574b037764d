import { useCallback, useEffect, useState } from "react";
import { useBring } from "../client/house";
import type { Brought } from "../client/types.gen";
import { takeDropped, useDropped } from "../parts/dropped";

/** One file as it was understood. */
export interface Understood {
  name: string; // empty: what was pasted
  table: string; // of a log, to be sent again when it is kept
  brought?: Brought;
  trouble?: unknown;
}

export const named = (file: Blob | undefined) => (file instanceof File ? file.name : "");
export const plain = (text: string, name?: string) =>
  name === undefined ? new Blob([text], { type: "text/plain" }) : new File([text], name, { type: "text/plain" });

/** Files that are read one after another: chosen, dropped, pasted, or out of a ZIP archive. */
export function useReading() {
  const [understood, tell] = useState<Understood[]>([]);
  const [waiting, queue] = useState<readonly Blob[]>([]); // the first of them is being read
  const [count, next] = useState(0); // of what was brought, so that each begins anew
  const { mutateAsync } = useBring();
  const read = useCallback((files: readonly Blob[]) => {
    if (files.length === 0) return;
    next((n) => n + 1);
    tell([]);
    queue(files);
  }, []);
  const stop = useCallback(() => queue([]), []);
  const dropped = useDropped();
  useEffect(() => {
    if (dropped.length === 0) return;
    takeDropped();
    read(dropped);
  }, [dropped, read]);
  const [file] = waiting;
  useEffect(() => {
    if (!file) return;
    let left = false;
    const understand = async (): Promise<[Understood, Blob[]]> => {
      try {
        const brought = await mutateAsync(file);
        const table = brought.log ? await file.text() : "";
        const inside = brought.files?.filter((f) => !f.problem) ?? [];
        return [{ name: named(file), table, brought }, inside.map((f) => plain(f.text ?? "", f.name))];
      } catch (trouble) {
        return [{ name: named(file), table: "", trouble }, []];
      }
    };
    void understand().then(([one, inside]) => {
      if (left) return;
      tell((all) => [...all, one]);
      queue(([, ...others]) => [...inside, ...others]);
    });
    return () => {
      left = true;
    };
  }, [file, mutateAsync]);
  return { understood, waiting, count, read, stop };
}
