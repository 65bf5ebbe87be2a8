import { good } from "@/core/design/problem";
import { simulate, simulationSchema, toHex } from "@/core/engine/simulate";
import { readOptions } from "../options";
import { withDesign } from "../request";

export const POST = (request: Request) =>
  withDesign(request, async (design, rest) => {
    const asked = readOptions(simulationSchema, rest);
    if (!asked.ok) return asked;
    const run = simulate(design, asked.value);
    if (!run.ok) return run;
    const reports = run.value.reports.map((report) => ({
      atMs: report.atMs,
      interface: report.interface,
      bytes: toHex(report.bytes),
    }));
    return good(Response.json({ reports, text: run.value.text }));
  });
