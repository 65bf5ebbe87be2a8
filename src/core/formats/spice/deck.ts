/** Lines of a circuit for a simulator of the SPICE kind, with short node names and what each of them is. */
export class Deck {
  readonly lines: string[] = [];
  private readonly nodes = new Map<string, string>();
  private count = 0;

  /** The node of a place; ground's own is 0. @param what in words, for the list of nodes */
  node(place: string, what = place): string {
    let node = this.nodes.get(place);
    if (node === undefined) {
      node = `n${this.nodes.size + 1}`;
      this.nodes.set(place, node);
      this.lines.push(`* ${node} is ${what.replace(/[^\x20-\x7e]+/g, " ")}`);
    }
    return node;
  }

  /** Makes a place the simulator's ground. */
  ground(place: string): void {
    this.nodes.set(place, "0");
  }

  /** The node that a place has already; undefined where nothing is there. */
  known(place: string): string | undefined {
    return this.nodes.get(place);
  }

  comment(text: string): void {
    this.lines.push(`* ${text.replace(/[^\x20-\x7e]+/g, " ")}`);
  }

  /** An element: its letter, a number of its own, and what follows. @returns its name */
  put(letter: string, rest: string): string {
    const name = `${letter}${(this.count += 1)}`;
    this.lines.push(`${name} ${rest}`);
    return name;
  }
}

/** A number as SPICE reads it. */
export const spice = (value: number): string => String(Number(value.toPrecision(9)));

/** A source that is at its voltage in an operating point and steps up to it, within a nanosecond, in a run over time. */
export const stepTo = (volts: number): string => `DC ${spice(volts)} PULSE(0 ${spice(volts)} 0 1n 1n 1 2)`;
