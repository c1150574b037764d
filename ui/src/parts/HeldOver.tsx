const letGo =
  "pointer-events-none absolute inset-4 z-40 grid place-items-center rounded-tray border-4 border-dashed border-rim " +
  "bg-enamel/90 text-xl font-bold text-rim";

/** While a file is held over the page: what happens when it is let go. */
export default function HeldOver() {
  return <p className={letGo}>Drop the file: you’ll see it before anything is saved</p>;
}
