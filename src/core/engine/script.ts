import type { DeviceWatch } from "./device";
import { type SimulationRequest, simulate } from "./simulate";
import { toHex } from "../hex";
import type { Design } from "../document/schema";
import { type Result, good } from "../document/problem";

/** A run as the host stand-in reads it, and the output it must give (firmware/hal/host/hal_host.c). */
export interface FirmwareScript {
  script: string;
  expected: string;
}

/** Records what the firmware senses and reports in a simulated run. */
export function recordScript(design: Design, request: SimulationRequest): Result<FirmwareScript> {
  const script: string[] = [];
  const expected: string[] = [];
  let locks = 0;
  const watch: DeviceWatch = {
    answer: (atMs, strobe, bank, word) =>
      script.push(`${atMs} sense ${strobe ?? "-"} ${bank} ${word.toString(16).padStart(4, "0")}`),
    report: (report) => expected.push(`${report.atMs} ${report.interface} ${toHex(report.bytes)}`),
    lamp: (atMs, line, on) => expected.push(`${atMs} lamp ${line} ${on ? 1 : 0}`),
    host: (atMs, what, value) => {
      if (what === "locks" && value === locks) return;
      if (what === "locks") locks = value;
      script.push(what === "reset" ? `${atMs} reset` : `${atMs} ${what} ${value}`);
    },
  };
  const run = simulate(design, request, watch);
  if (!run.ok) return run;
  script.push(`${request.untilMs} end`);
  expected.push("end");
  return good({ script: `${script.join("\n")}\n`, expected: `${expected.join("\n")}\n` });
}
