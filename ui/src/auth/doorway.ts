/** The whole page round the one sheet at the door. */
export const doorway = "grid min-h-dvh grid-cols-[minmax(0,36rem)] place-content-center p-2 md:p-4";
