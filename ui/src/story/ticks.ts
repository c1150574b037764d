/** Round figures that reach round the values, for the side of a plot: three to six of them, no finer than a unit. */
export function ticks(values: number[], unit: number, within?: [number, number]): number[] {
  const [low, high] = within ?? [Math.min(...values), Math.max(...values)];
  const rough = Math.max((high - low) / 4, unit);
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((n) => n * power).find((s) => s >= rough * 0.999) ?? rough;
  const first = Math.floor(low / step + 1e-9);
  const last = Math.max(Math.ceil(high / step - 1e-9), first + 1);
  return Array.from({ length: last - first + 1 }, (_, n) => (first + n) * step);
}
