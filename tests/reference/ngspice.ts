import { spawnSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** Solves a circuit's resting point with ngspice. @returns the voltage of every node asked for */
export function operatingPoint(lines: string[], nodes: string[]): Map<string, number> {
  const deck = join(mkdtempSync(join(tmpdir(), "ovrin-spice-")), "deck.cir");
  const prints = nodes.map((node) => `print v(${node})`);
  writeFileSync(deck, ["* matrix", ...lines, ".control", "op", ...prints, ".endc", ".end", ""].join("\n"));
  const run = spawnSync("ngspice", ["-b", deck], { encoding: "utf8" });
  const voltages = new Map(
    [...run.stdout.matchAll(/^v\((\w+)\) = (\S+)/gm)].map(([, node, value]) => [node, Number(value)]),
  );
  if (voltages.size !== nodes.length) throw new Error(`ngspice answered ${run.stdout}${run.stderr}`);
  return voltages;
}
