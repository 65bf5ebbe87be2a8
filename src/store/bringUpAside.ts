import type { BringUpView } from "@/core/bringup/view";
import type { Design } from "@/core/document/schema";
import { startSearch } from "@/workers/planning";
import { asideOf } from "./aside";

let search: ReturnType<typeof startSearch> | null = null;

/** A worker of its own: what it reckons with is kept there from one test to the next. */
export const bringUpTasks = () => (search ??= startSearch()).tasks;

/** What the tests of the design in hand say. */
export const useBringUp = asideOf<BringUpView>((design: Design) => bringUpTasks().bringUp(design));
