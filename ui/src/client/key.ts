/** A key that no other press has. Browsers make UUIDs only where the connection is safe; random bytes they give everywhere. */
export const newKey = () => Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, "0")).join("");
