import type { LadderBank } from "../circuits/circuitKind";
import { rungLevels } from "../circuits/ladderVoltage";
import { parallelOhm } from "../electrics/divider";

/** Line and pins of a bank's common wire, in farad (from memory: 30 pF). */
export const LINE_F = 30e-12;

type Bank = Pick<LadderBank, "rungs" | "rungOhms" | "pullDownOhm">;

/** What the line sees of a powered bank while one rung is pressed: below, above and the pull-down in parallel (Thévenin). */
function rungSourceOhm({ rungOhms, pullDownOhm }: Bank, rung: number): number {
  const sum = (ohms: number[]) => ohms.reduce((a, b) => a + b, 0);
  const above = sum(rungOhms.slice(rung + 1));
  return above === 0 ? 0 : parallelOhm(parallelOhm(sum(rungOhms.slice(0, rung + 1)), above), pullDownOhm);
}

/**
 * Longest time after a bank is powered until the line is within half a step of where it goes, over all rungs, in µs.
 * What is missing begins at the rung's own level and falls by time constants: level · e^(−t / RC) = 2^−(bits + 1).
 */
export function bankSettleUs(bank: Bank, bits: number): number {
  const times = rungLevels(bank).map((level, rung) => {
    const constants = Math.log(level * 2 ** (bits + 1));
    return 1e6 * rungSourceOhm(bank, rung) * LINE_F * Math.max(0, constants);
  });
  return Math.max(0, ...times);
}
