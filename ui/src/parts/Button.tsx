import type { ComponentProps } from "react";
import { Link } from "react-router";

// How a press looks: the one that leads on is filled, others are framed, and what only opens something is text.
const looks = {
  filled: "rounded-tray bg-rim font-bold text-on-rim disabled:bg-shelf disabled:text-soft",
  framed: "rounded-tray border-2 border-rim font-semibold text-rim hover:bg-shelf disabled:border-rule disabled:text-soft",
  text: "font-semibold text-rim underline disabled:text-soft disabled:no-underline",
};

// How large it is: small ones stand in lines of text, huge ones are for floury hands.
const sizes = {
  small: { high: "min-h-9", wide: "px-2" },
  usual: { high: "min-h-11", wide: "px-3" },
  medium: { high: "min-h-12", wide: "px-5" },
  large: { high: "min-h-14", wide: "px-6 text-lg" },
  huge: { high: "min-h-16", wide: "px-5 text-lg" },
};

interface Looks {
  look?: keyof typeof looks;
  size?: keyof typeof sizes;
}

/** The classes of a press, for what is no button: a file's address, a label. */
export const pressLook = ({ look = "framed", size = "usual" }: Looks, more = "") =>
  `${looks[look]} ${sizes[size].high} ${look === "text" ? "" : sizes[size].wide} ${more}`;

/** A button. */
export const Button = ({ look, size, className, ...rest }: ComponentProps<"button"> & Looks) => (
  <button type="button" {...rest} className={pressLook({ look, size }, className)} />
);

/** A link that looks like a button, or like text that is pressed; with a picture before its words, of which it is told. */
export const PressLink = ({
  look = "text",
  size,
  picture,
  className = "",
  ...rest
}: ComponentProps<typeof Link> & Looks & { picture?: boolean }) => {
  const inside = picture
    ? "inline-flex items-center gap-2"
    : look === "text"
      ? "inline-block content-center"
      : "inline-grid place-items-center";
  return <Link {...rest} className={pressLook({ look, size }, `${inside} ${className}`)} />;
};
