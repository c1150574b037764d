import { type RefObject, useLayoutEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";

interface Size {
  width: number;
  height: number;
}

/** The size of an element, px, for what is drawn to fill it: as the page was laid out, before that is seen. Until then, and
    while it is hidden, it is as large as is guessed. */
export function useBox<T extends HTMLElement>(guess: Size): [RefObject<T | null>, Size] {
  const element = useRef<T>(null);
  const [size, setSize] = useState(guess);
  useLayoutEffect(() => {
    const box = element.current;
    if (!box) return;
    const observer = new ResizeObserver(() => {
      if (box.clientWidth > 0) flushSync(() => setSize({ width: box.clientWidth, height: box.clientHeight }));
    });
    observer.observe(box);
    return () => observer.disconnect();
  }, []);
  return [element, size];
}
