import type { Design } from "@/core/document/schema";
import type { Look } from "@/workers/checking";

/** What is known of a design. */
export interface Checked extends Look {
  /** The design that the findings are of; null before the first are known. */
  design: Design | null;
  /** Why the rules could not look at the last design. */
  trouble: string | null;
}

/** What is known before the first look. */
export const NOTHING_SEEN: Look = { findings: [], budget: "" };

/**
 * Asks for the findings of the newest design only: while one is being looked over, those in between are passed by.
 * What was known stays until the next answer is there.
 */
export class Checking {
  private asked: Design | null = null;
  private waiting: Design | null = null;
  private isBusy = false;

  constructor(
    private readonly look: (design: Design) => Promise<Look>,
    private readonly tell: (checked: Checked) => void,
  ) {}

  /** A design to look over; asking again for the same one costs nothing. */
  ask(design: Design): void {
    if (design === this.asked) return;
    this.asked = design;
    this.waiting = design;
    if (!this.isBusy) void this.work();
  }

  private async work(): Promise<void> {
    this.isBusy = true;
    while (this.waiting) {
      const design = this.waiting;
      this.waiting = null;
      try {
        this.tell({ design, ...(await this.look(design)), trouble: null });
      } catch (error) {
        this.tell({ design, ...NOTHING_SEEN, trouble: error instanceof Error ? error.message : String(error) });
      }
    }
    this.isBusy = false;
  }
}
