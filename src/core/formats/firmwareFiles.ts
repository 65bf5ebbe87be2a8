import { zipSync } from "fflate";
import { bad, good } from "../document/problem";
import { overLimits } from "../firmware/capacity";
import { scanTableOf } from "../firmware/scanTable";
import { firmwareTargets } from "../targets";
import type { FirmwareTarget } from "../targets/firmwareTarget";
import { type Artifact, FILE_DATE, fileStem, utf8 } from "./artifact";
import { designText } from "./designJson";

const archiveOf = ({ id, title, purpose, files }: FirmwareTarget): Artifact => ({
  id,
  title,
  purpose,
  async make(design) {
    const plan = scanTableOf(design);
    const over = overLimits(plan, design);
    if (over.length > 0) return bad(...over.map((what) => ({ path: "", message: `has ${what}` })));
    const made = await files(design, plan);
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
