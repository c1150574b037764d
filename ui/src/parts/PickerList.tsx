import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from "@headlessui/react";
import { type PickerProps, Picked, pickerLabel, pickerLook } from "./Picker";
import { type Turned, useTurned } from "./turned";

/** A picker with its list. */
export default function PickerList({ turned, ...props }: PickerProps & { turned: Turned }) {
  const button = useTurned(turned);
  return (
    <Listbox value={props.value} onChange={props.pick}>
      <ListboxButton ref={button} aria-label={pickerLabel(props)} className={pickerLook(props)}>
        <Picked {...props} />
      </ListboxButton>
      <ListboxOptions
        anchor={{ to: "bottom start", gap: 4 }}
        className="z-30 min-w-64 rounded-tray border-2 border-rim bg-enamel p-1 shadow-none focus:outline-none"
      >
        {props.choices.map((c) => (
          <ListboxOption
            key={c.id}
            value={c.id}
            className="min-h-12 cursor-pointer rounded px-3 py-2 data-focus:bg-rim data-focus:text-on-rim data-selected:font-bold"
          >
            <span className="block max-w-96 text-base wrap-anywhere">{c.name}</span>
            {c.hint && <span className="block text-xs opacity-90">{c.hint}</span>}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}
