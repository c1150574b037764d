import type { PanLayer, PlanLine, PlanPan } from "../client/types.gen";

interface Asked {
  pan: PlanPan;
  lines: PlanLine[];
  box: string[];
  filling: { done: Set<string>; next: string | undefined } | undefined;
  width: number; // px, that there are
  height: number;
}

type State = "in" | "next" | "out"; // out: not there yet

export interface Drawn {
  left: number;
  width: number; // of the pan's inside, px
  middle: number;
  rim: number;
  floor: number;
  perMl: number; // px of height
  labelX: number;
  layers: { key: string; layer: PanLayer; lines: string[]; y: number; height: number; thin: boolean; well: boolean; state: State }[];
  hoppers: { key: string; stuff: PanLayer["stuff"]; lines: string[]; x: number; y: number; state: State }[];
  labels: {
    key: string;
    layer: PanLayer;
    lines: string[];
    name: string;
    inside: boolean;
    x: number;
    y: number;
    width: number;
    from: { x: number; y: number };
  }[];
}

const margin = 12;
const labelWidth = 132; // px, beside the pan
const widest = 1.1; // of the pan as it is drawn, to its depth: the layers are to scale by volume
const lineHeight = 24;
const letter = 8.2; // px, of a label's letter on average
const thin = 30; // ml: a layer of less is drawn thicker than it is
const least = 6; // px
const tall = 28; // px of a layer that carries its name inside
const hopper = 48; // px above the rim for a dispenser

/** Yeast on the flour lies in its well or heap; in a dispenser it is not in the pan at all. */
const inWell = (l: PanLayer) => l.stuff === "yeast" && (l.place === "in a well" || l.place === "in the middle");
const boxed = (l: PanLayer) => l.place === "in its dispenser";

/** Where everything of the pan's section stands, drawn to fill the room that there is. */
export function layout({ pan, lines, box, filling, width: room, height }: Asked): Drawn {
  const line = (id: string) => lines.find((l) => l.id === id);
  const hoppered = [
    ...pan.layers.filter(boxed).map((l) => ({ stuff: l.stuff, lines: l.lines })),
    ...(box.length > 0 ? [{ stuff: "add-in" as const, lines: box }] : []),
  ];
  const rimAt = Math.max(margin, hoppered.length > 0 ? hopper : 0);
  const over = Math.max(0, pan.fill.high / pan.fill.pan - 1); // of the pan, by a loaf that rises above the rim
  const deep = (height - rimAt - margin) / (1 + over); // px: the pan takes the height that there is
  const rim = rimAt + over * deep;
  const floor = rim + deep;
  const perMl = deep / pan.fill.pan;
  const width = Math.max(80, Math.min(room - 2 * margin - labelWidth - 24, deep * widest));
  const left = margin + Math.max(0, (room - 2 * margin - labelWidth - 24 - width) / 2);
  const middle = left + width / 2;
  const labelX = left + width + 28;
  const stateOf = (ids: string[]): State => {
    if (!filling || ids.some((id) => filling.done.has(id))) return "in";
    return filling.next && ids.includes(filling.next) ? "next" : "out";
  };
  const filled = (l: PanLayer) => {
    const there = filling ? l.lines.filter((id) => filling.done.has(id) || id === filling.next) : l.lines;
    const part = (ids: string[]) => ids.reduce((sum, id) => sum + (line(id)?.measured.volume ?? 0), 0);
    return there.length === l.lines.length ? 1 : part(l.lines) > 0 ? part(there) / part(l.lines) : 0;
  };
  let y = floor;
  const layers = pan.layers
    .filter((l) => !boxed(l))
    .map((layer, n) => {
      const state = stateOf(layer.lines);
      const well = inWell(layer);
      const high = well || state === "out" ? 0 : Math.max(layer.volume * filled(layer) * perMl, least);
      y -= high;
      return { key: layer.stuff + n, layer, lines: layer.lines, y, height: high, thin: !well && layer.volume < thin, well, state };
    })
    .filter((l) => l.state !== "out");
  const name = (l: PanLayer) =>
    l.lines
      .filter((id) => !filling || filling.done.has(id) || id === filling.next)
      .map((id) => line(id)?.name.split(",")[0] ?? "")
      .join(", ");
  const rows = (text: string, px: number) => Math.max(1, Math.ceil((text.length * letter + 8) / px));
  let free = height; // labels beside the pan go upwards from here
  const labels = layers.map((l) => {
    const text = l.layer.place === "from the bag" ? "the bag" : name(l.layer);
    const wide = width - 24;
    const inside = !l.well && l.height >= tall * rows(text, wide);
    const from = { x: l.well ? middle + 24 : left + width - 6, y: l.y + (l.well ? 2 : l.height / 2) };
    if (inside) {
      const high = rows(text, wide) * lineHeight;
      return {
        key: l.key,
        layer: l.layer,
        lines: l.lines,
        name: text,
        inside,
        x: left + 12,
        y: l.y + (l.height - high) / 2,
        width: wide,
        from,
      };
    }
    const high = rows(text, labelWidth) * lineHeight;
    const top = Math.max(0, Math.min(from.y - high / 2, free - high));
    free = top - 4;
    return { key: l.key, layer: l.layer, lines: l.lines, name: text, inside, x: labelX, y: top, width: labelWidth, from };
  });
  const hoppers = hoppered
    .map((h, n) => ({ ...h, key: `${h.stuff} box`, x: middle - 92 + n * 100, y: rim - 44, state: stateOf(h.lines) }))
    .filter((h) => h.state !== "out");
  return { left, width, middle, rim, floor, perMl, labelX, layers, hoppers, labels };
}
