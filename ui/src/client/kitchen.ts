/** The kitchen that this page works in. Calls and what is remembered in the browser are for it alone. */
let id = localStorage.getItem("kitchen") ?? "";

export const kitchen = () => id;

export function setKitchen(next: string) {
  id = next;
  localStorage.setItem("kitchen", next);
}

/** The key of something asked of the server, in this kitchen. */
export const at = (...what: unknown[]) => [id, ...what];

/** The name of something that the browser remembers for this kitchen. */
export const own = (name: string) => `${id} ${name}`;
