import { useEffect, useState } from "react";

const long = 2_000; // ms after which a wait is explained

/** A screen on its way; after two seconds it says that it is waited for. */
export function Loading() {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), long);
    return () => clearTimeout(timer);
  }, []);
  return (
    <p role="status" className="p-8 text-lg text-soft">
      {late ? "Can’t load this screen. Trying again …" : "One moment …"}
    </p>
  );
}
