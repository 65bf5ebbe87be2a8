import { takesLines } from "../../hid/panelSettings";
import type { ControllerProfile } from "../../catalogue/controllers/controllerProfile";
import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { type Problem, bad, good } from "../../document/problem";
import { type FirmwareScript, recordScripts } from "../../engine/script";
import { partFolder } from "./partFolder";
import { hasSocket } from "../../firmware/musicSocket";
import { partsWithoutLine } from "../../firmware/partsWithoutLine";
import { padPortOf } from "../../firmware/padPort";
import { packetOf } from "../../firmware/packetOf";
import type { ScanTable } from "../../firmware/scanTable";
import { demonstrationOf } from "../demonstration";
import type { FirmwareTarget } from "../firmwareTarget";
import { planFile, pinNameOf } from "./planFile";
import { pythonReadme } from "./readme";
import { tablesFile } from "./tablesFile";

function classProblem(profile: ControllerProfile | null): Problem | null {
  if (!profile) return { path: "controllers", message: "has no controller; choose one that runs Python on board" };
  if (profile.firmware.interpreted === "runs-usb") return null;
  const why = profile.firmware.interpreted === "no" ? "runs no Python" : "is no USB device from Python";
  return { path: "controllers", message: `has the ${profile.title}, which ${why}` };
}

/** Every net that must have a pin and has none, by its flag. */
function pinProblems(design: Design): Problem[] {
  const pinOf = pinNameOf(design);
  return derive(design)
    .signalNets.filter(({ id, need }) => need !== null && pinOf(id) === "")
    .map(({ flag }) => ({ path: "pinPlan", message: `has no pin for ${flag}; share out the pins first` }));
}

/** Why no archive can be made: another class, nets without pins, no report. */
function problemsOf(design: Design): Problem[] {
  const { controllers } = derive(design);
  const profiles = controllers.length > 0 ? controllers.map(({ profile }) => profile) : [null];
  const wrongClass = profiles.flatMap((profile) => classProblem(profile) ?? []);
  if (wrongClass.length > 0) return wrongClass.slice(0, 1);
  const apart = partsWithoutLine(design);
  if (apart.length > 0) return apart;
  if (padPortOf(design))
    return [{ path: "circuits", message: "has a serial pad port, whose clock an interpreter cannot follow" }];
  if (design.reportSet.interfaces.length === 0 && !packetOf(design) && !hasSocket(design) && !takesLines(design))
    return [{ path: "reportSet.interfaces", message: "declares no report; a device needs one to be of use" }];
  return pinProblems(design);
}

/** What each part's drive gets, and how it is checked on a computer. */
function filesOf(
  design: Design,
  scan: ScanTable,
  sources: Record<string, string>,
  { script, expected }: FirmwareScript,
  part: number,
) {
  return {
    "plan.py": planFile(design, scan, part),
    "tables.py": tablesFile(design, scan),
    "demo.txt": script,
    "expected.txt": expected,
    ...sources,
  };
}

const inFolder = (folder: string, files: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(files).map(([name, text]) => [folder + name, text]));

/** Files for the drive of a board that runs Python: nothing to compile. */
export const python: FirmwareTarget = {
  id: "firmware-python",
  title: "Firmware, Python",
  purpose: "For boards that run Python: files to copy onto their drive; nothing to compile.",
  takes: [
    "Every circuit of contacts, knobs, sticks and pots, lamps, motors, sounders, lights and displays; music; live changes where the board has memory for them.",
    "Addressable lights, but for one call to your interpreter's own way to send them (lights_port.py).",
    "No serial pad port.",
    "Lines of text that tell what is shown, over the board's own serial port; notes that do.",
    "Music sockets; the interpreter waits while bytes leave, nearly a millisecond for three.",
    "A radio's packets, but for the calls that hand them to yours (radio_port.py).",
    "Knobs are sampled in each scan: one that is turned fast loses steps.",
  ],
  problems: problemsOf,
  async files(design, scan) {
    const problems = problemsOf(design);
    if (problems.length > 0) return bad(...problems);
    const demonstration = recordScripts(design, demonstrationOf(design));
    if (!demonstration.ok) return demonstration;
    const { PYTHON_SOURCES } = await import("./pythonSources.generated");
    const parts = demonstration.value.map((script, part) => filesOf(design, scan, PYTHON_SOURCES, script, part));
    const folders = parts.map((files, part) => (parts.length > 1 ? inFolder(partFolder(design, part), files) : files));
    return good(Object.assign({ "README.md": pythonReadme(design) }, ...folders) as Record<string, string>);
  },
};
