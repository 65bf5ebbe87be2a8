import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { unzipSync } from "fflate";
import { artifactNamed } from "@/core/exports/registry";
import type { Design } from "@/core/document/schema";
import { workFolder } from "./builds";

/** One of a design's archives, unpacked in an empty directory. @returns the folder that holds its files */
export async function unpack(design: Design, archive: string): Promise<string> {
  const made = await artifactNamed(archive)!.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  const folder = workFolder();
  const entries = Object.entries(unzipSync(made.value.bytes));
  for (const [name, bytes] of entries) {
    const path = join(folder, name);
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, bytes);
  }
  return join(folder, entries[0][0].split("/")[0]);
}
