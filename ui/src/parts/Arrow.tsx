import { ArrowRight } from "lucide-react";

/** From one to another: an arrow for the eye, a word for the ear. */
export const Arrow = () => (
  <>
    {" "}
    <ArrowRight size={16} aria-hidden="true" className="inline align-[-2px]" />
    <span className="sr-only">to</span>{" "}
  </>
);
