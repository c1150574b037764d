import type { Kitchen } from "../client/types.gen";

/** Changes a part of the kitchen's settings; kept is called once the server has it. */
export type SetKitchen = (part: Partial<Kitchen>, kept?: () => void) => void;

export const fieldLook = "figures h-11 rounded-tray border-2 border-rim bg-enamel px-2 aria-invalid:border-signal";
