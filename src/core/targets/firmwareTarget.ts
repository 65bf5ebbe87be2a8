import type { Design } from "../document/schema";
import type { Result } from "../document/problem";
import type { ScanTable } from "../firmware/scanTable";

/** One form in which firmware is handed out. A new one is one file that exports this, and one line in `index.ts`. */
export interface FirmwareTarget {
  id: string;
  title: string;
  /** What it is good for, in a short sentence. */
  purpose: string;
  /** Files by their path in the archive. The design itself is added to each archive. */
  files(design: Design, plan: ScanTable): Promise<Result<Record<string, string>>>;
}
