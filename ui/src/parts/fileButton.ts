/** What a label looks like whose press chooses a file; its size is its place's. */
export const fileButton =
  "flex cursor-pointer items-center gap-2 rounded-tray border-2 border-rim font-semibold text-rim has-focus-visible:outline-3";
