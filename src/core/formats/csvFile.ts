import Papa from "papaparse";
import { type Result, good } from "../design/problem";
import type { Design } from "../design/schema";
import { type ExportedFile, fileStem, utf8 } from "./artifact";

/** A table as a CSV file (RFC 4180) whose name ends in `suffix`. */
export function csvFile(
  design: Design,
  suffix: string,
  fields: string[],
  data: Record<string, string | number>[],
): Result<ExportedFile> {
  const text = Papa.unparse({ fields, data }, { newline: "\r\n" });
  return good({ fileName: `${fileStem(design)}-${suffix}.csv`, mediaType: "text/csv", bytes: utf8(`${text}\r\n`) });
}
