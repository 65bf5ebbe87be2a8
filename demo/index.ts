import type { Design } from "../src/core/document/schema";
import glasshouse from "./glasshouse.json";
import kestrel from "./kestrel.json";
import loom64 from "./loom-64.json";
import reedling from "./reedling.json";
import tern from "./tern.json";

/** The demo designs, as they stand in their files; readers check them like any file. */
export const demoDesigns = [kestrel, loom64, glasshouse, tern, reedling] as unknown as Design[];
