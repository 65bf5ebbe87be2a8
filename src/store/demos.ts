import type { Design } from "@/core/design/schema";
import { seedDemos } from "./designRepository";

/** The demo designs; they load only when asked for. */
export const loadDemos = (): Promise<Design[]> => import("@demo/index").then((module) => module.demoDesigns);

/** On the first visit, wherever it leads, the demos come onto the shelf. */
export const layOutDemos = (): Promise<void> => seedDemos(loadDemos, new Date());
