import { derive } from "../derived/derive";
import { profileNamed } from "../derived/placedController";
import type { Design } from "../document/schema";
import { countedAfterMs } from "../document/debounce";
import { counted, listed } from "../words";
import { type BriefOption, optionFor } from "./option";
import { type BudgetLine, budgetLines, wishAsPlaced } from "./budgetLines";
import { wishNouns } from "./wishWords";

export interface Budget {
  lines: BudgetLine[];
  /** The chosen plan worked out for what is placed so far, or for the wish where that is more. */
  option: BriefOption | null;
  pinsLeft: number | null;
}

/** The brief's lines against what is placed, and the pins that the chosen plan has left. */
export function budgetOf(design: Design): Budget {
  const { wish, chosen } = design.brief;
  const placed = wishAsPlaced(design);
  const lines = budgetLines(design);
  const most = {
    ...placed,
    ...Object.fromEntries(lines.map(({ line }) => [line, Math.max(wish[line], placed[line])])),
  };
  const profile = chosen && (derive(design).profile ?? profileNamed(design, chosen.profileId));
  const option =
    chosen && profile
      ? optionFor(most, { ...chosen, profileId: profile.id }, profile, {
          brief: design.brief,
          debounceMs: countedAfterMs(design.timing.debounce),
          settleUs: design.timing.settleUs,
        })
      : null;
  return { lines, option, pinsLeft: option ? option.room.had - option.room.needed : null };
}

/** "2 encoders more than the brief; 3 pins left". */
export function budgetWords({ lines, pinsLeft }: Budget): string {
  const over = lines
    .filter(({ wished, placed }) => placed > wished)
    .map(({ line, wished, placed }) => counted(placed - wished, wishNouns[line]));
  const open = lines.reduce((sum, { wished, placed }) => sum + Math.max(0, wished - placed), 0);
  const parts = [
    ...(over.length > 0 ? [`${listed(over)} more than the brief`] : []),
    ...(open > 0 ? [`${open} still to place`] : []),
    ...(over.length === 0 && open === 0 && lines.length > 0 ? ["everything of the brief is placed"] : []),
    ...(pinsLeft === null
      ? []
      : [pinsLeft < 0 ? `${counted(-pinsLeft, "pin")} short` : `${counted(pinsLeft, "pin")} left`]),
  ];
  return parts.join("; ");
}
