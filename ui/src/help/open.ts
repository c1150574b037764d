const asked = "risepan:help";

/** Opens the help, at a word of the glossary. */
export const openHelp = (word: string) => window.dispatchEvent(new CustomEvent<string>(asked, { detail: word }));

/** Listens to what asks for help; gives back how to stop. */
export function onHelp(open: (word: string) => void) {
  const heard = (e: Event) => open((e as CustomEvent<string>).detail);
  window.addEventListener(asked, heard);
  return () => window.removeEventListener(asked, heard);
}
