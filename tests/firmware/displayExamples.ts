import type { BusDisplays } from "@/core/circuits/busDisplays";
import { type DisplayTelling, usualTelling } from "@/core/circuits/displayTelling";
import { type PageThing, pageThingSchema } from "@/core/document/displayPages";
import type { Design } from "@/core/document/schema";
import { changeCircuit } from "@/core/edits/wiring";

/**
 * "text Up at 0 1 large", "layer at 0 0", "deed C at 12 1 columns 24", "value E from -5 to 5 point 1 at 0 2", "bar P at 0 3 columns 10",
 * "picture 0f f0 at 3 0 rows 1": a thing, its column and its row; as wide as the display is from there where nothing is said.
 */
function readThing(design: Design, display: string, words: string): PageThing {
  const [, what, column, row, rest = ""] = /^(.*) at (\d+) (\d+)(?: (.*))?$/.exec(words.trim())!;
  const [, shows, more = ""] = /^(\w+) ?(.*)$/.exec(what)!;
  const control = design.controls.find(({ id }) => id === display);
  const width = control?.kind === "display" ? control.widthPx - Number(column) : 1;
  const number = (word: string, usual: number) => Number(new RegExp(`${word} (\\d+)`).exec(rest)?.[1] ?? usual);
  const placed = { shows, column: Number(column), row: Number(row), columns: number("columns", width) };
  const large = rest.includes("large") ? { large: true } : {};
  const isPot = (id: string) => design.controls.some((one) => one.id === id && one.kind === "pot");
  const element = (of: string) =>
    /^\d$/.test(of) ? `computer:${Number(of) - 1}` : `${of}:${isPot(of) ? "wiper" : "turn"}`;
  if (shows === "text") return pageThingSchema.parse({ ...placed, ...large, text: more });
  if (shows === "layer") return pageThingSchema.parse({ ...placed, ...large });
  if (shows === "deed") {
    const [, input, said] = /^(\w+)(?: called (.*))?$/.exec(more)!;
    return pageThingSchema.parse({
      ...placed,
      ...large,
      inputId: `${input}:press`,
      ...(said ? { words: { base: said } } : {}),
    });
  }
  if (shows === "bar") return pageThingSchema.parse({ ...placed, elementId: element(more) });
  if (shows === "picture") {
    const rows = number("rows", 1);
    const dots = more.replaceAll(" ", "");
    return pageThingSchema.parse({ ...placed, columns: dots.length / 2 / rows, rows, dots });
  }
  const [, of, low, high, point = "0"] = /^(\w+) from (-?\d+) to (-?\d+)(?: point (\d))?$/.exec(more)!;
  const ends = { elementId: element(of), low: Number(low), high: Number(high), point: Number(point) };
  return pageThingSchema.parse({ ...placed, ...large, ...ends });
}

/** "D: text Up at 0 0, value E from 0 to 9 at 0 1"; "D: nothing" is an empty page. */
export function withPage(design: Design, layerId: string, display: string, what: string): Design {
  const page = what.trim() === "nothing" ? [] : what.split(",").map((words) => readThing(design, display, words));
  const layers = design.keymap.layers.map((layer) =>
    layer.id === layerId ? { ...layer, displays: { ...layer.displays, [display]: page } } : layer,
  );
  return { ...design, keymap: { ...design.keymap, layers } };
}

const bytes = (words: string) =>
  words
    .trim()
    .split(" ")
    .map((hex) => parseInt(hex, 16));

/** "begin 00 ae, 00 af": frames at the start; none where nothing is said, so that examples are short. "places 00 22+row 21+column": otherwise than usual. */
export function withTelling(design: Design, lines: string[], circuitId: string): Design {
  const said = (word: string) => lines.find((line) => line.startsWith(`${word} `))?.slice(word.length + 1);
  const start = said("begin")?.split(",").map(bytes) ?? [];
  const usual = usualTelling(64);
  const place = said("places")
    ?.split(" ")
    .map((token) => {
      const [byte, adds = "nothing"] = token.split("+");
      return { byte: parseInt(byte, 16), adds: adds as DisplayTelling["place"][number]["adds"] };
    });
  const told = { ...usual, start, place: place ?? usual.place, firstColumn: Number(said("from column") ?? 0) };
  return changeCircuit<BusDisplays>(design, circuitId, { told });
}
