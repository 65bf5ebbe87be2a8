import { execFileSync } from "node:child_process";
import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import type { Design } from "@/core/document/schema";
import { adoptPinPlan, chooseController } from "@/core/edits/pins";
import { planPins } from "@/core/pins/planPins";
import { scanTableOf } from "@/core/firmware/scanTable";
import { PYTHON_SOURCES } from "@/core/targets/python/pythonSources.generated";
import { tablesFile } from "@/core/targets/python/tablesFile";
import { type Run, play, workFolder } from "./builds";
import { boardWiring } from "./chipWiring";
import { unpack } from "./unpack";

/** Debian's own, which the tests install. */
export const PYTHON = "/usr/bin/python3";

/** A design's Python archive, unpacked. @returns the folder that holds its files */
export const unpackPython = (design: Design): Promise<string> => unpack(design, "firmware-python");

/** The device in Python of a design that has no controller: its runtime and tables alone. */
export async function barePython(design: Design): Promise<string> {
  const folder = workFolder();
  const files = { ...PYTHON_SOURCES, "tables.py": tablesFile(design, scanTableOf(design)) };
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, name)), { recursive: true });
    writeFileSync(join(folder, name), text);
  }
  return folder;
}

/** Plays a script on the device in Python. */
export const playPython = (folder: string, script: string): Run => play(PYTHON, [join(folder, "play.py")], script);

/** Runs a program of the archive. @returns what it prints */
export const runPython = (folder: string, ...parameters: string[]): string =>
  execFileSync(PYTHON, parameters, { cwd: folder, encoding: "utf8", stdio: "pipe" });

/** The program that runs a device's two files on the simulated board. */
const RUN = fileURLToPath(new URL("board/run.py", import.meta.url));

/** Puts an unpacked device on the simulated board. @param wanted "facts" tells its interfaces, "count" its steps a scan, "files" and a folder: what it keeps goes there */
export function onBoard(design: Design, folder: string, script: string, ...wanted: string[]): Run {
  return onPartsBoard(design, 0, folder, script, ...wanted);
}

/** The same of one of the device's parts. @param folder that part's */
export function onPartsBoard(design: Design, part: number, folder: string, script: string, ...wanted: string[]): Run {
  const wiring = join(folder, "wiring.txt");
  writeFileSync(wiring, boardWiring(design, part));
  return play(PYTHON, [RUN, folder, wiring, ...wanted], script);
}

/** The design on a class that runs Python, with the app's own pin plan. */
export function onPythonClass(design: Design, profileId = "dual-core-3v3-26"): Design {
  const moved = chooseController(design, profileId);
  return adoptPinPlan(moved, planPins(moved));
}

/** The same of all its parts. */
export function allOnPythonClass(design: Design, profileId = "dual-core-3v3-26"): Design {
  const controllers = design.controllers.map((controller) => ({ ...controller, profileId }));
  const moved = { ...design, controllers, pinPlan: {} };
  return adoptPinPlan(moved, planPins(moved));
}
