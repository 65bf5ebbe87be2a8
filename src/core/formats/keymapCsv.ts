import Papa from "papaparse";
import type { Binding } from "../bindings";
import { derive } from "../derived/derive";
import { bad } from "../document/problem";
import type { Design } from "../document/schema";
import { bindingText, readBindingText } from "../keymap/bindingText";
import { type Artifact, asText } from "./artifact";
import { csvFile } from "./csvFile";

const INPUT = "Input";
const ID = "Id";
const layerHead = (name: string, nth: number) => `${nth + 1} ${name}`;

export const keymapCsv: Artifact = {
  id: "keymap-csv",
  title: "Keymap as a table",
  purpose: "A line an input, a column a layer, in plain phrases; it can be changed elsewhere and read back in Keymap.",
  make: async (design) => {
    const { bindable } = derive(design);
    if (bindable.length === 0) return bad({ path: "controls", message: "have nothing to bind yet" });
    const { keymap } = design;
    const heads = keymap.layers.map(({ name }, nth) => layerHead(name, nth));
    const rows = bindable.map(({ id, label }) => ({
      [INPUT]: asText(label),
      [ID]: id,
      ...Object.fromEntries(
        keymap.layers.map(({ bindings }, nth) => {
          const binding = Object.hasOwn(bindings, id) ? bindings[id] : undefined;
          return [heads[nth], binding ? asText(bindingText(keymap, binding)) : ""];
        }),
      ),
    }));
    return csvFile(design, "keymap", [INPUT, ID, ...heads], rows);
  },
};

/** One cell of a table that says something else than the keymap; null: as on the layer beneath. */
export interface ReadBinding {
  layerId: string;
  inputId: string;
  binding: Binding | null;
}

export interface ReadKeymap {
  /** What the table changes. */
  changes: ReadBinding[];
  /** Lines and cells that say nothing that can be done, in words; what is there stays. */
  problems: string[];
}

const unquoted = (cell: string) => cell.replace(/^'(?=[=+\-@\t])/, "");

/** The layer of each column, by its number; null for columns that are none. */
function columnLayers({ keymap: { layers } }: Design, heads: string[], problems: string[]): (string | null)[] {
  return heads.map((head) => {
    if (head === INPUT || head === ID) return null;
    const number = /^(\d+)\b/.exec(head.trim())?.[1];
    const layer = number === undefined ? undefined : layers[Number(number) - 1];
    if (!layer)
      problems.push(`Column “${head}” is no layer: its head begins with the layer's number, 1 to ${layers.length}.`);
    return layer?.id ?? null;
  });
}

/** The binding that a cell says; undefined when it says none. */
function cellBinding(design: Design, cell: string): Binding | null | undefined {
  const text = unquoted(cell.trim());
  return text === "" ? null : (readBindingText(design.keymap, text) ?? undefined);
}

const same = (a: Binding | null, b: Binding | null) => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));

/** Keys in one order at every depth, so that equal bindings read alike. */
function sorted(value: unknown): unknown {
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, one]) => [name, sorted(one)]),
  );
}

interface Line {
  number: number;
  layerOf: (string | null)[];
}

/** Reads a table of bindings against a design: what it changes, and what in it cannot be read, line by line. */
export function readKeymapCsv(design: Design, text: string): ReadKeymap {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" });
  const [heads = [], ...lines] = data;
  const problems: string[] = [];
  const idAt = heads.indexOf(ID);
  if (idAt < 0)
    return { changes: [], problems: [`The first line has no column “${ID}”, which says what each line binds.`] };
  const layerOf = columnLayers(design, heads, problems);
  const known = new Set(derive(design).bindable.map(({ id }) => id));
  const read: ReadKeymap = { changes: [], problems };
  lines.forEach((cells, nth) => {
    const inputId = (cells[idAt] ?? "").trim();
    if (!known.has(inputId)) problems.push(`Line ${nth + 2}: the device has no input “${inputId}”.`);
    else readLine(design, inputId, cells, { number: nth + 2, layerOf }, read);
  });
  return read;
}

function readLine(design: Design, inputId: string, cells: string[], line: Line, read: ReadKeymap): void {
  line.layerOf.forEach((layerId, at) => {
    if (layerId === null || cells[at] === undefined) return;
    const binding = cellBinding(design, cells[at]);
    if (binding === undefined) {
      read.problems.push(`Line ${line.number}, ${inputId}: “${cells[at].trim()}” is no phrase for what a key does.`);
      return;
    }
    const { bindings } = design.keymap.layers.find(({ id }) => id === layerId)!;
    const before = Object.hasOwn(bindings, inputId) ? bindings[inputId] : null;
    if (!same(before, binding)) read.changes.push({ layerId, inputId, binding });
  });
}
