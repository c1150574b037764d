const name = "single keys off";

/** Whether single keys lead to screens and sizes; who speaks to the machine may want them off. */
export const singleKeys = () => localStorage.getItem(name) === null;

export function setSingleKeys(on: boolean) {
  if (on) localStorage.removeItem(name);
  else localStorage.setItem(name, "1");
}

/** Whether a key goes to what it was pressed on: a field, a list or a sheet. */
export function takesKeys(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && !!target.closest("input:not([type=radio]), textarea, [role=listbox], [role=dialog]");
}
