import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type Branch, solveNetwork } from "../electrics/network";

/**
 * The level of a ladder's line: most faulty devices ask for the same networks again and again, as nearly all of their
 * ladder is as drawn. Each is solved once.
 */
export class LadderLevels {
  private readonly numbers = new Map<string, number>();
  private readonly levels = new Map<string, number | null>();

  /** A short name of some branches, the same for the same ones. */
  nameOf(branches: readonly Branch[]): number {
    const key = branches.map(({ a, b, ohm }) => `${a}\t${b}\t${ohm}`).join("\n");
    let number = this.numbers.get(key);
    if (number === undefined) this.numbers.set(key, (number = this.numbers.size));
    return number;
  }

  /**
   * The voltage of a node, in parts of what `held` gives; null where no current reaches it from a held one.
   * @param name of the resistors, by `nameOf`
   * @param added what conducts beside them
   * @param held the node that is powered, and those of ground
   */
  levelOf(
    line: string,
    { branches, name }: { branches: readonly Branch[]; name: number },
    added: readonly Branch[],
    held: Map<string, number>,
  ): number | null {
    const key = `${line}\n${name}\n${this.nameOf(added)}\n${[...held].join("\n")}`;
    let level = this.levels.get(key);
    if (level === undefined) {
      level = solveNetwork([...branches, ...added], held, new Map()).get(line) ?? null;
      this.levels.set(key, level);
    }
    return level;
  }
}

export const ladderLevelsOf = (design: Design): LadderLevels =>
  derive(design).once("ladder levels", () => new LadderLevels());
