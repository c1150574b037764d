import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { Closed } from "./Closed";
import { later } from "./later";
import type { Turned } from "./turned";

interface Choice {
  id: string;
  name: string;
  hint?: string;
}

export interface PickerProps {
  label: string;
  choices: Choice[];
  value: string;
  pick: (id: string) => void;
  look?: keyof typeof looks;
}

const looks = {
  large: "min-h-12 text-xl font-bold",
  plain: "min-h-12 text-base font-semibold",
  small: "min-h-7 text-sm font-semibold",
} as const;

const { fetch, Part } = later(() => import("./PickerList"));

/** Chooses one of a few named things. */
export function Picker(props: PickerProps) {
  const [turned, turn] = useState<Turned>("");
  const closed = (
    <Closed label={pickerLabel(props)} fetch={fetch} turn={turn} className={pickerLook(props)}>
      <Picked {...props} />
    </Closed>
  );
  return <Part {...props} turned={turned} instead={closed} />;
}

export const pickerLook = ({ look = "plain" }: PickerProps) =>
  `flex min-w-0 items-center gap-2 rounded-tray px-2 text-left hover:bg-shelf ${looks[look]}`;

const chosen = ({ choices, value }: PickerProps) => choices.find((c) => c.id === value)?.name ?? "";
export const pickerLabel = (props: PickerProps) => `${props.label}: ${chosen(props)}`;

export function Picked(props: PickerProps) {
  return (
    <>
      <span className="min-w-0 wrap-anywhere">{chosen(props)}</span>
      <ChevronDown size={20} aria-hidden="true" className="shrink-0 text-rim" />
    </>
  );
}
