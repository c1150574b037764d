import type { ReactNode } from "react";
import type { Turned } from "./turned";

interface Props {
  label: string;
  fetch: () => void;
  turn: (turned: Turned) => void;
  className: string;
  children: ReactNode;
}

/** What stands in the place of a list until that is fetched: it fetches it when somebody turns to it. */
export function Closed({ label, fetch, turn, className, children }: Props) {
  return (
    <button
      type="button"
      aria-haspopup="listbox"
      aria-expanded={false}
      aria-label={label}
      onPointerEnter={fetch}
      onFocus={() => turn("focus")}
      onBlur={() => turn("")}
      onPointerDown={() => turn("press")} // the list may come before the finger is lifted, and no click then follows
      onPointerCancel={() => turn("focus")}
      onClick={() => {
        turn("press");
        fetch();
      }}
      className={className}
    >
      {children}
    </button>
  );
}
