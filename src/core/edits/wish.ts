import { wishAsPlaced } from "../brief/budgetLines";
import type { Design } from "../document/schema";
import type { Wish } from "../document/wish";

export const changeWish = (design: Design, change: Partial<Wish>): Design => ({
  ...design,
  brief: { ...design.brief, wish: { ...design.brief.wish, ...change } },
});

/** Makes the brief say what is placed. */
export const briefFromLayout = (design: Design): Design => changeWish(design, wishAsPlaced(design));
