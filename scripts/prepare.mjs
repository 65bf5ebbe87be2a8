// What both commands need before anything else: the packages of the lock file, installed once.
import { execFileSync, spawnSync } from "node:child_process";
import { existsSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));
const LOCK = `${root}package-lock.json`;
const STAMP = `${root}node_modules/.installed-lock`;

/** Runs a program in the project's folder with its output shown; throws when it fails. */
export function run(program, parameters, settings = {}) {
  execFileSync(program, parameters, {
    cwd: root,
    stdio: "inherit",
    ...settings,
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", ...settings.env },
  });
}

const isInstalled = () => existsSync(STAMP) && readFileSync(STAMP, "utf8") === readFileSync(LOCK, "utf8");

export function installPackages() {
  if (isInstalled()) return;
  console.log("Installing the packages of package-lock.json …");
  run("npm", ["ci", "--no-audit", "--no-fund"]);
  writeFileSync(STAMP, readFileSync(LOCK, "utf8"));
}

const NEXT = "node_modules/next/dist/bin/next";

const TASKS = `${root}build/serverTasks.mjs`;

/** The script of the server's threads: the tasks of the route handlers in one file. */
export async function buildServerTasks() {
  const { build } = await import("esbuild");
  await build({
    entryPoints: [`${root}src/workers/server/thread.ts`],
    outfile: TASKS,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    // It finds its WebAssembly beside its own file.
    external: ["manifold-3d"],
    alias: { "@": `${root}src`, "@demo": `${root}demo` },
    logLevel: "warning",
  });
}

/** Builds the app unless the last build is newer than every source. */
export async function buildApp({ force = false } = {}) {
  const built = `${root}.next/BUILD_ID`;
  const newest = spawnSync(
    "find",
    ["src", "demo", "next.config.ts", "package-lock.json", "-newer", built, "-print", "-quit"],
    { cwd: root, encoding: "utf8" },
  );
  if (
    !force &&
    existsSync(TASKS) &&
    existsSync(built) &&
    statSync(built).size > 0 &&
    newest.status === 0 &&
    newest.stdout === ""
  )
    return;
  console.log("Building the app …");
  run(process.execPath, [NEXT, "build"]);
  await buildServerTasks();
}

export const nextStart = (port) => [NEXT, "start", "-H", "127.0.0.1", "-p", String(port)];
