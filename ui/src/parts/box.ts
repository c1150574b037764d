import { type RefObject, useLayoutEffect, useRef, useState } from "react";

interface Size {
  width: number;
  height: number;
}

/** The size of an element as it is laid out, for what is drawn to fill it. */
export function useBox<T extends HTMLElement>(at: Size): [RefObject<T | null>, Size] {
  const element = useRef<T>(null);
  const [size, setSize] = useState(at);
  useLayoutEffect(() => {
    const box = element.current;
    if (!box) return;
    const measure = () => box.clientWidth > 0 && setSize({ width: box.clientWidth, height: box.clientHeight }); // not while it is hidden
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(box);
    return () => observer.disconnect();
  }, []);
  return [element, size];
}
