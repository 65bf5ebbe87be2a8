import { type Result, good } from "../document/problem";
import type { Design } from "../document/schema";
import { type ExportedFile, fileStem } from "./artifact";
import { csvBytes } from "./csvText";

/** A table as a CSV file (RFC 4180) whose name ends in `suffix`. */
export function csvFile(
  design: Design,
  suffix: string,
  fields: string[],
  data: Record<string, string | number>[],
): Result<ExportedFile> {
  return good({ fileName: `${fileStem(design)}-${suffix}.csv`, mediaType: "text/csv", bytes: csvBytes(fields, data) });
}
