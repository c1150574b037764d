import { useEffect, useSyncExternalStore } from "react";
import { useNavigate } from "react-router";

let dropped: readonly File[] = [];
let over = false;
const listeners = new Set<() => void>();
const tell = () => listeners.forEach((listener) => listener());
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** The files that were dropped on the page last; they are taken once. */
export const useDropped = () => useSyncExternalStore(subscribe, () => dropped);
export function takeDropped() {
  dropped = [];
  tell();
}

/** Whether a file is held over the page. */
export const useHeldOver = () => useSyncExternalStore(subscribe, () => over);

const hasFile = (e: DragEvent) => !!e.dataTransfer?.types.includes("Files");

/** A file may be dropped anywhere: it is brought in. */
export function useDrops() {
  const navigate = useNavigate();
  useEffect(() => {
    const hold = (on: boolean) => {
      if (over !== on) {
        over = on;
        tell();
      }
    };
    const drag = (e: DragEvent) => {
      if (!hasFile(e)) return;
      e.preventDefault();
      hold(true);
    };
    const leave = (e: DragEvent) => !e.relatedTarget && hold(false);
    const drop = (e: DragEvent) => {
      hold(false);
      const files = [...(e.dataTransfer?.files ?? [])];
      if (files.length === 0) return;
      e.preventDefault();
      dropped = files;
      tell();
      navigate("/bring");
    };
    window.addEventListener("dragover", drag);
    window.addEventListener("dragleave", leave);
    window.addEventListener("drop", drop);
    return () => {
      window.removeEventListener("dragover", drag);
      window.removeEventListener("dragleave", leave);
      window.removeEventListener("drop", drop);
    };
  }, [navigate]);
}
