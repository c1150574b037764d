import { keepProgram } from "../client/kept";

import { useEffect, useLayoutEffect, useState } from "react";

/** A screen for floury hands: the browser keeps the program, so that it goes on without the server. */
export const useAtHand = () => useEffect(keepProgram, []);

/** Keeps the screen awake while it is shown, where the browser can. */
export function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let gone = false;
    const ask = () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      navigator.wakeLock.request("screen").then(
        (l) => (gone ? void l.release() : (lock = l)),
        () => undefined,
      );
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
}

export const canSpeak = () => typeof speechSynthesis !== "undefined";

/** Reads a text aloud with the browser's own voice when it changes; off until asked for. */
export function useReading(text: string): [boolean, (on: boolean) => void] {
  const [on, set] = useState(() => localStorage.getItem("read aloud") === "on");
  useEffect(() => {
    if (!on || !canSpeak()) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(text));
    return () => speechSynthesis.cancel();
  }, [on, text]);
  return [
    on,
    (next) => {
      localStorage.setItem("read aloud", next ? "on" : "off");
      set(next);
    },
  ];
}

interface Moves {
  next: () => void;
  back: () => void;
}

/** Space or the arrow to the right for next, the arrow to the left for back. */
export function useKeys({ next, back }: Moves) {
  useLayoutEffect(() => {
    // at once with what is shown: a key pressed right after a step is for that step
    const press = (e: KeyboardEvent) => {
      if (
        e.ctrlKey ||
        e.metaKey ||
        e.altKey ||
        (e.target instanceof HTMLElement && e.target.closest("input, textarea, a, [role=dialog], [role=listbox], [data-own-keys]"))
      )
        return;
      const onButton = e.target instanceof HTMLElement && e.target.closest("button");
      if (e.key === "ArrowRight" || e.key === "PageDown" || (e.key === " " && !onButton)) next();
      else if (e.key === "ArrowLeft" || e.key === "PageUp" || e.key === "Backspace") back();
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
}

const far = 60; // px, that a swipe is at the least

/** A swipe to the left for next, to the right for back. */
export function useSwipe({ next, back }: Moves) {
  const [from, setFrom] = useState<number | null>(null);
  return {
    onTouchStart: (e: React.TouchEvent) => setFrom(e.touches[0]?.clientX ?? null),
    onTouchEnd: (e: React.TouchEvent) => {
      const by = from === null ? 0 : (e.changedTouches[0]?.clientX ?? from) - from;
      setFrom(null);
      if (by < -far) next();
      if (by > far) back();
    },
  };
}
