import { type Result, bad } from "../document/problem";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";

/** Line and column of a character, both from 1. */
function placeIn(text: string, offset: number): string {
  const before = text.slice(0, offset).split("\n");
  return `line ${before.length}, column ${before.at(-1)!.length + 1}`;
}

/** Where the parser stopped, from the engine's message ("… at position 17 …"). */
function placeOfSyntaxError(error: unknown, text: string): string {
  const position = /position (\d+)/.exec(String(error));
  return position ? ` It stops at ${placeIn(text, Number(position[1]))}.` : " It ends too early.";
}

/** Reads a design file's text. @returns the design, or what is wrong with the file and where */
export function readDesignText(text: string): Result<Design> {
  if (text.trim() === "") return bad({ path: "", message: "The file is empty." });
  let json: unknown;
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch (error) {
    return bad({ path: "", message: `The file is not whole JSON.${placeOfSyntaxError(error, text)}` });
  }
  return readDesign(json);
}
