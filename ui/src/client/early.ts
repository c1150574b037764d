declare global {
  interface Window {
    asked?: Map<string, { answer: Promise<Response>; at: number }>; // by early.js, before the program was there
  }
}

const fresh = 5_000; // ms for which an answer that was asked for early is taken

/** The answer to a question that was asked before the program was there; it is taken once. */
export function askedEarly(path: string): Promise<Response> | undefined {
  const early = window.asked?.get(path);
  window.asked?.delete(path);
  return early && performance.now() - early.at < fresh ? early.answer : undefined;
}
