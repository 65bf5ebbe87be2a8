import { zipSync } from "fflate";
import { devicesOf } from "../derived/halves";
import { halfName } from "../derived/halfName";
import { type Result, bad, good } from "../document/problem";
import type { Design } from "../document/schema";
import { stemOf } from "../fileStem";
import { overLimits } from "../firmware/capacity";
import { scanTableOf } from "../firmware/scanTable";
import { firmwareTargets } from "../targets";
import type { FirmwareTarget } from "../targets/firmwareTarget";
import { type Artifact, FILE_DATE, fileStem, utf8 } from "./artifact";
import { designText } from "./designJson";

type Files = Record<string, string>;

/** Of one device. */
async function filesOf(device: Design, files: FirmwareTarget["files"]): Promise<Result<Files>> {
  const plan = scanTableOf(device);
  const over = overLimits(plan, device);
  return over.length > 0 ? bad(...over.map((what) => ({ path: "", message: `has ${what}` }))) : files(device, plan);
}

/** Those of parts that are devices of their own stand in folders of their own. */
async function filesOfAll(design: Design, files: FirmwareTarget["files"]): Promise<Result<Files>> {
  const devices = devicesOf(design);
  if (devices.length === 1) return filesOf(devices[0], files);
  const all = await Promise.all(devices.map((device) => filesOf(device, files)));
  const problems = all.flatMap((made) => (made.ok ? [] : made.problems));
  if (problems.length > 0) return bad(...problems);
  const folders = all.map((made, nth) => {
    const folder = `${nth + 1}-${stemOf(halfName(design, design.controllers[nth].id), "part")}`;
    return made.ok ? Object.entries(made.value).map(([name, text]) => [`${folder}/${name}`, text]) : [];
  });
  return good(Object.fromEntries(folders.flat()) as Files);
}

const archiveOf = ({ id, title, purpose, files }: FirmwareTarget): Artifact => ({
  id,
  title,
  purpose,
  async make(design) {
    const made = await filesOfAll(design, files);
    if (!made.ok) return made;
    const stem = `${fileStem(design)}-${id}`;
    const texts = { ...made.value, "design.ovrin.json": designText(design) };
    const entries = Object.entries(texts).map(([name, text]) => [`${stem}/${name}`, utf8(text)]);
    const bytes = zipSync(Object.fromEntries(entries), { mtime: FILE_DATE, level: 6 });
    return good({ fileName: `${stem}.zip`, mediaType: "application/zip", bytes });
  },
});

/** One archive for each firmware target. */
export const firmwareArchives: Artifact[] = firmwareTargets.map(archiveOf);
