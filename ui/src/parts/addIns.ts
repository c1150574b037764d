import type { Plan, PlanAddIns } from "../client/types.gen";

export type AddInWay = PlanAddIns["way"];

/** How each add-in goes in, by its line. */
export const waysIn = (addIns: PlanAddIns): Record<string, AddInWay> =>
  Object.fromEntries(addIns.each?.map((a) => [a.line, a.way]) ?? addIns.lines.map((line) => [line, addIns.way]));

/** The lines that the dispenser holds. */
export function inBox({ addIns }: Pick<Plan, "addIns">): string[] {
  if (!addIns) return [];
  const way = waysIn(addIns);
  return addIns.lines.filter((l) => way[l] === "dispenser");
}
