// npm run verify: installs what is missing, runs every check, and ends with the sum over all test runners.
// npm run check: the same without what takes minutes (firmware builds, reference and end-to-end tests), for work in progress.
import { execFileSync, spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { availableParallelism } from "node:os";
import { buildApp, installPackages, root } from "./prepare.mjs";

/** Programs that the checks run, and the Debian packages they come in. */
const PROGRAMS = {
  "/usr/bin/chromium": ["chromium"],
  "/usr/bin/clang": ["clang"],
  "/usr/bin/wasm-ld": ["lld"],
  "/usr/bin/gcc": ["gcc", "libc6-dev"],
  "/usr/bin/make": ["make"],
  "/usr/bin/python3": ["python3"],
  "/usr/bin/avr-gcc": ["gcc-avr", "binutils-avr"],
  "/usr/lib/avr/include/stdint.h": ["avr-libc"],
  "/usr/include/simavr/sim_avr.h": ["libsimavr-dev"],
  "/usr/include/libelf.h": ["libelf-dev"],
  "/usr/bin/ngspice": ["ngspice"],
  "/usr/bin/admesh": ["admesh"],
  "/usr/bin/avrdude": ["avrdude"],
  "/usr/share/X11/xkb/symbols/us": ["xkb-data"],
  "/usr/share/X11/locale/en_US.UTF-8/Compose": ["libx11-data"],
  "/usr/include/xkbcommon/xkbcommon-compose.h": ["libxkbcommon-dev"],
};

function installPrograms() {
  const missing = Object.entries(PROGRAMS).filter(([path]) => !existsSync(path));
  if (missing.length === 0) return;
  const packages = missing.flatMap(([, names]) => names);
  if (process.getuid?.() !== 0) {
    console.error(
      `Missing: ${missing.map(([path]) => path).join(", ")}. Install as root: apt-get install ${packages.join(" ")}`,
    );
    process.exit(1);
  }
  console.log(`Installing ${packages.join(", ")} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  execFileSync("apt-get", ["update", "-qq"], { stdio: "inherit", env });
  execFileSync("apt-get", ["install", "-y", "-qq", "--no-install-recommends", ...packages], { stdio: "inherit", env });
}

const isQuick = process.argv.includes("--quick");
let passed = 0;
let failed = 0;

const seconds = (from) => `${((Date.now() - from) / 1000).toFixed(0)} s`;

function launch(title, program, parameters) {
  console.log(`\n== ${title}`);
  const began = Date.now();
  const { status } = spawnSync(program, parameters, {
    cwd: root,
    stdio: "inherit",
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
  });
  console.log(`${status === 0 ? "ok" : "FAILED"}: ${title} (${seconds(began)})`);
  return status === 0;
}

/** One program with what it says kept until it ends, so that two at once do not speak into each other. */
function quietly(tool, parameters) {
  return new Promise((resolve) => {
    const said = [];
    const child = spawn(process.execPath, [tool, ...parameters], { cwd: root });
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (bytes) => said.push(bytes));
    child.on("close", (status) => resolve({ status, said: Buffer.concat(said).toString() }));
  });
}

/** Checks are no tests: they add nothing when they pass, and one failure each when they do not. As many run as there are processors. */
async function check(list) {
  const waiting = [...list];
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [title, tool, ...parameters] = next;
      const began = Date.now();
      const { status, said } = await quietly(tool, parameters);
      if (status !== 0) failed += 1;
      console.log(`\n== ${title}\n${said.trim()}\n${status === 0 ? "ok" : "FAILED"}: ${title} (${seconds(began)})`);
    }
  };
  await Promise.all(Array.from({ length: availableParallelism() }, work));
}

/** A test runner: what it counted is added; one that broke down without a count is a failure. */
function tests(title, report, count, program, ...parameters) {
  rmSync(`${root}${report}`, { force: true });
  const fine = launch(title, program, parameters);
  const counts = existsSync(`${root}${report}`)
    ? count(JSON.parse(readFileSync(`${root}${report}`, "utf8")))
    : { passed: 0, failed: 0 };
  passed += counts.passed;
  failed += counts.failed;
  if ((!fine || counts.passed === 0) && counts.failed === 0) failed += 1;
  console.log(`${title}: ${counts.passed} passed, ${counts.failed} failed`);
}

const ofVitest = (report) => ({ passed: report.numPassedTests, failed: report.numFailedTests });
const ofPlaywright = ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected });

function vitest(project) {
  const report = `test-results/${project}.json`;
  tests(
    `${project} tests`,
    report,
    ofVitest,
    process.execPath,
    "node_modules/vitest/vitest.mjs",
    "run",
    "--project",
    project,
    "--reporter=dot",
    "--reporter=json",
    `--outputFile=${report}`,
  );
}

process.on("exit", (code) => {
  if (code === 0 || passed + failed > 0) return;
  console.log("0 passed, 1 failed");
});

installPackages();
if (!isQuick) installPrograms();
mkdirSync(`${root}test-results`, { recursive: true });

await check([
  ["types", "node_modules/typescript/bin/tsc", "--noEmit"],
  ["formatting", "node_modules/prettier/bin/prettier.cjs", "--check", "--log-level", "warn", "."],
  ["lint", "node_modules/eslint/bin/eslint.js", "--max-warnings", "0", "."],
  ["layers", "node_modules/dependency-cruiser/bin/dependency-cruise.mjs", "src", "--config", ".dependency-cruiser.cjs"],
  ["types of the core, without the DOM", "node_modules/typescript/bin/tsc", "--noEmit", "-p", "tsconfig.core.json"],
  ["dead exports", "node_modules/knip/bin/knip.js"],
  ...(isQuick ? [] : [["generated firmware modules are fresh", "scripts/buildFirmware.mjs", "--check"]]),
]);
vitest("unit");
vitest("app");
if (!isQuick) {
  vitest("reference");
  vitest("firmware");
  await buildApp({ force: true });
  tests(
    "end-to-end tests",
    "test-results/e2e.json",
    ofPlaywright,
    process.execPath,
    "node_modules/@playwright/test/cli.js",
    "test",
  );
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 || passed === 0 ? 1 : 0);
