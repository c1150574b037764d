import { type RefObject, useEffect, useState } from "react";

/** How wide a box is, px; until it is drawn, as wide as is guessed. */
export function useWidth(box: RefObject<HTMLElement | null>, guess: number): number {
  const [width, setWidth] = useState(guess);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setWidth(element.clientWidth));
    observer.observe(element);
    return () => observer.disconnect();
  }, [box]);
  return width;
}
