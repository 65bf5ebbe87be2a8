import type { DrillSort } from "@/core/practice/run";

export const drillWords: Record<DrillSort, string> = {
  type: "Type",
  press: "Press what is named",
  turn: "Turn by steps",
  follow: "Follow the mark",
  find: "Find a hidden fault",
};
