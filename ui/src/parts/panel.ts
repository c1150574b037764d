import type { PlanCycleName, PlanSetting } from "../client/types.gen";

/** A cycle by what stands on the panel and its name: "1 Basic"; once, where the two are the same. */
export const cycleTitle = ({ panel, name }: Omit<PlanCycleName, "id">) => [...new Set([panel, name])].filter(Boolean).join(" ");

/** What the machine's start button is called. */
export const startButton = ({ setting }: { setting: PlanSetting }) => setting.fittings?.start ?? "Start";
