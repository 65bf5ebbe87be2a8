import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, renameSync, rmSync } from "node:fs";
import { basename, join } from "node:path";
import { fileURLToPath } from "node:url";

const root = fileURLToPath(new URL("../..", import.meta.url));
const kept = join(root, "test-results", "built");

/** Every C source and header that a build could take in, by content. */
let sourcesDigest: string | null = null;
function digestOfSources(): string {
  if (sourcesDigest !== null) return sourcesDigest;
  const hash = createHash("sha256");
  for (const folder of ["firmware", "tests/firmware"])
    for (const path of readdirSync(join(root, folder), { recursive: true, encoding: "utf8" }).sort())
      if (/\.[chS]$/.test(path)) hash.update(`${path}\n`).update(readFileSync(join(root, folder, path)));
  return (sourcesDigest = hash.digest("hex"));
}

const versions = new Map<string, string>();
function versionOf(compiler: string): string {
  const known = versions.get(compiler) ?? execFileSync(compiler, ["--version"], { encoding: "utf8" });
  versions.set(compiler, known);
  return known;
}

/**
 * What is the same for every test file is compiled once: kept by a digest of all sources, of the compiler and of what it is told, so that no file
 * compiles what another one has compiled. Two that begin at the same time both compile; one result is kept.
 * @returns the folder with what was made
 */
export function builtOnce(compiler: string, parameters: string[]): string {
  const key = createHash("sha256")
    .update([digestOfSources(), versionOf(compiler), ...parameters].join("\n"))
    .digest("hex")
    .slice(0, 32);
  const folder = join(kept, key);
  if (existsSync(folder)) return folder;
  mkdirSync(kept, { recursive: true });
  const making = mkdtempSync(join(kept, "making-"));
  execFileSync(compiler, parameters, { cwd: making });
  try {
    renameSync(making, folder);
  } catch {
    // Another file was faster.
    rmSync(making, { recursive: true });
  }
  return folder;
}

/** Sources compiled one by one. @returns the objects' paths */
export function objectsOf(compiler: string, flags: string[], sources: string[]): string[] {
  const folder = builtOnce(compiler, [...flags, "-c", ...sources]);
  return sources.map((source) => join(folder, basename(source).replace(/\.c$/, ".o")));
}
