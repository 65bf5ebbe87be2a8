import type { Design } from "@/core/document/schema";
import file from "./handset.json" with { type: "json" };

/** A hand controller of twelve keys in a matrix, two knobs with push and three lamps, all on pins. */
export const handset = file as unknown as Design;
