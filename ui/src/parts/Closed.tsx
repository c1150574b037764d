import type { Dispatch, ReactNode, SetStateAction } from "react";
import type { Turned } from "./turned";

interface Props {
  label: string;
  fetch: () => void;
  turn: Dispatch<SetStateAction<Turned>>;
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
      onFocus={() => turn((turned) => turned || "focus")} // a press brings the focus with it, and stays a press
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
