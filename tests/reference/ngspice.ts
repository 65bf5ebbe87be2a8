import { spawnSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

function run(lines: string[], control: string[]): string {
  const deck = join(mkdtempSync(join(tmpdir(), "ovrin-spice-")), "deck.cir");
  writeFileSync(deck, ["* circuit", ...lines, ".control", ...control, ".endc", ".end", ""].join("\n"));
  const { stdout, stderr } = spawnSync("ngspice", ["-b", deck], { encoding: "utf8" });
  return `${stdout}${stderr}`;
}

export { DIODE_MODEL } from "@/core/formats/spice/matrixDeck";

/** Runs a circuit in time. @returns when a node rises through a voltage, in seconds after the start */
export function riseTime(lines: string[], node: string, volt: number, stepS: number, endS: number): number {
  const out = run(lines, [`tran ${stepS} ${endS} uic`, `meas tran reached when v(${node})=${volt} rise=1`]);
  const found = /reached\s*=\s*(\S+)/.exec(out);
  if (!found) throw new Error(`ngspice answered ${out}`);
  return Number(found[1]);
}

/** Solves a circuit's resting point with ngspice. @returns the voltage of every node asked for */
export function operatingPoint(lines: string[], nodes: string[]): Map<string, number> {
  const out = run(lines, ["op", ...nodes.map((node) => `print v(${node})`)]);
  const voltages = new Map([...out.matchAll(/^v\((\w+)\) = (\S+)/gm)].map(([, node, value]) => [node, Number(value)]));
  if (voltages.size !== nodes.length) throw new Error(`ngspice answered ${out}`);
  return voltages;
}
