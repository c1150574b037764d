/** How a tab over a page of settings looks. */
export const tabLook = [
  "min-h-12 rounded-t-tray px-5 text-lg font-semibold max-md:px-2.5 max-md:text-base",
  "text-rim data-hover:bg-shelf data-selected:bg-rim data-selected:text-on-rim",
].join(" ");
