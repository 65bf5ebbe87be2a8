import Papa from "papaparse";
import { utf8 } from "./artifact";

/** A table as CSV text (RFC 4180): a header, then a record a line, each ended by CRLF. */
function csvText(fields: string[], data: Record<string, string | number>[]): string {
  // With no record the writer would end the header twice.
  if (data.length === 0) return `${Papa.unparse([fields], { newline: "\r\n" })}\r\n`;
  return `${Papa.unparse({ fields, data }, { newline: "\r\n" })}\r\n`;
}

export const csvBytes = (fields: string[], data: Record<string, string | number>[]): Uint8Array =>
  utf8(csvText(fields, data));
