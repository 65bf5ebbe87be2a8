import type { Design } from "../src/core/document/schema";
import dunlin from "./dunlin.json";
import glasshouse from "./glasshouse.json";
import kestrel from "./kestrel.json";
import loom64InTwo from "./loom-64-in-two.json";
import loom64 from "./loom-64.json";
import reedling from "./reedling.json";
import tern from "./tern.json";

/** The demo designs, as they stand in their files; readers check them like any file. */
export const demoDesigns = [kestrel, loom64, glasshouse, tern, reedling] as unknown as Design[];

/** The same devices built in another way. */
export const variantDesigns = [loom64InTwo] as unknown as Design[];

/** A base with modules that snap on, each with a controller. */
export const modularDesigns = [dunlin] as unknown as Design[];

/** What a new shelf has, each variant behind what it is one of. */
export const shelfDesigns = [
  ...demoDesigns.flatMap((design) => [design, ...variantDesigns.filter(({ id }) => id.startsWith(`${design.id}-`))]),
  ...modularDesigns,
];
