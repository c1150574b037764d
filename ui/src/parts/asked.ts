/** What the address asks for by a name; empty: nothing. */
export const asked = (name: string) => new URLSearchParams(window.location.search).get(name) ?? "";
