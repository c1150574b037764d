/** The look of what can be had or not: dashed, and solid where it is. */
export const ownable = "rounded-tray border-2 border-dashed border-rule aria-pressed:border-solid aria-pressed:border-rim";
