import type { Control } from "../catalogue/kinds";
import type { Design } from "../document/schema";
import { type Wish, type WishCount, noWish, wishCounts } from "../document/wish";
import { kindOfLine } from "./wishWords";

/** The line of the brief that a control counts on; null for what the brief does not count. */
export function wishLineOf(control: Control): WishCount | null {
  if (control.kind === "stick") return control.axes === 2 ? "sticks2" : "sticks3";
  return wishCounts.find((line) => kindOfLine[line] === control.kind) ?? null;
}

/** What lies on the mat, as a wish; the choices are the brief's. */
export function wishAsPlaced({ controls, brief }: Pick<Design, "controls" | "brief">): Wish {
  const counts = { ...noWish };
  for (const control of controls) {
    const line = wishLineOf(control);
    if (line) counts[line] += 1;
  }
  const pushed = (kinds: Control["kind"][], otherwise: boolean) => {
    const some = controls.filter(({ kind }) => kinds.includes(kind));
    return some.length === 0 ? otherwise : some.some((control) => "push" in control && control.push);
  };
  const { wish } = brief;
  const placed = Object.fromEntries(wishCounts.map((line) => [line, counts[line]])) as Record<WishCount, number>;
  return {
    ...wish,
    ...placed,
    encoderPush: pushed(["encoder"], wish.encoderPush),
    concentricPush: pushed(["concentric"], wish.concentricPush),
    stickPush: pushed(["stick"], wish.stickPush),
  };
}

export interface BudgetLine {
  line: WishCount;
  wished: number;
  placed: number;
}

/** The brief's lines against what is placed: those that anything is wished or placed of. */
export function budgetLines(design: Pick<Design, "controls" | "brief">): BudgetLine[] {
  const placed = wishAsPlaced(design);
  return wishCounts
    .map((line) => ({ line, wished: design.brief.wish[line], placed: placed[line] }))
    .filter(({ wished, placed: there }) => wished > 0 || there > 0);
}

/** Whether the brief wishes anything that is not placed yet. */
export const isBriefOpen = (design: Pick<Design, "controls" | "brief">): boolean =>
  budgetLines(design).some(({ wished, placed }) => wished > placed);
