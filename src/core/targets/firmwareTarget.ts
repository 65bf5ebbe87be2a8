import type { Design } from "../document/schema";
import type { Problem, Result } from "../document/problem";
import type { ScanTable } from "../firmware/scanTable";

/** One form in which firmware is handed out. A new one is one file that exports this, and one line in `index.ts`. */
export interface FirmwareTarget {
  id: string;
  title: string;
  /** What it is good for, in a short sentence. */
  purpose: string;
  /** What it takes of a device, and what it leaves to whoever builds it, in a sentence each. */
  takes: string[];
  /** Why it cannot be made of a design; empty when it can. */
  problems(design: Design, plan: ScanTable): Problem[];
  /** Files by their path in the archive. The design itself is added to each archive. */
  files(design: Design, plan: ScanTable): Promise<Result<Record<string, string>>>;
}
