import { type RefObject, useLayoutEffect, useState } from "react";

/** How wide a box is, px. It is measured before it is first seen; `guess` serves only where nothing is laid out. */
export function useWidth(box: RefObject<HTMLElement | null>, guess: number): number {
  const [width, setWidth] = useState(guess);
  useLayoutEffect(() => {
    const element = box.current;
    if (!element) return;
    setWidth(element.clientWidth);
    const observer = new ResizeObserver(() => setWidth(element.clientWidth));
    observer.observe(element);
    return () => observer.disconnect();
  }, [box]);
  return width;
}
