import { useEffect, useState } from "react";

/** The value, once the hands have rested for a moment. */
export function useSettled<T>(value: T): T {
  const [settled, settle] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => settle(value), 300);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}
