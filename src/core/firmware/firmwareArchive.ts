import { zipSync } from "fflate";
import { bad, good } from "../design/problem";
import { type Artifact, fileStem, utf8 } from "../formats/artifact";
import { designText } from "../formats/designJson";
import { archiveReadme, makefile, pinsHeader, tablesSource } from "./archiveFiles";
import { demonstrationOf } from "./demonstration";
import { overLimits } from "./capacity";
import { scanPlanOf } from "./scanPlan";
import { recordScript } from "./script";

/** Files get one fixed date, so that the same design gives the same archive. */
const FILE_DATE = "2000-01-01T00:00:00";

export const firmwareArchive: Artifact = {
  id: "firmware-c",
  title: "Firmware, C99",
  purpose: "Runtime, tables, pin list, a stand-in that runs on this computer, and what to do in which order.",
  async make(design) {
    const plan = scanPlanOf(design);
    const over = overLimits(plan, design);
    if (over.length > 0) return bad(...over.map((what) => ({ path: "", message: `has ${what}` })));
    const demonstration = recordScript(design, demonstrationOf(design));
    if (!demonstration.ok) return demonstration;
    const { RUNTIME_SOURCES } = await import("./runtimeSources.generated");
    const texts: Record<string, string> = {
      "README.md": archiveReadme(design),
      Makefile: makefile,
      "tables.c": tablesSource(plan, design),
      "pins.h": pinsHeader(plan, design),
      "demo.txt": demonstration.value.script,
      "expected.txt": demonstration.value.expected,
      "design.ovrin.json": designText(design),
      ...RUNTIME_SOURCES,
    };
    const stem = `${fileStem(design)}-firmware`;
    const files = Object.fromEntries(Object.entries(texts).map(([name, text]) => [`${stem}/${name}`, utf8(text)]));
    const bytes = zipSync(files, { mtime: FILE_DATE, level: 6 });
    return good({ fileName: `${stem}.zip`, mediaType: "application/zip", bytes });
  },
};
