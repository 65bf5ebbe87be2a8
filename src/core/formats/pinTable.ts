import { type ControllerProfile, type Pin, pinSchema } from "../catalogue/controllers/controllerProfile";
import { asText } from "./artifact";
import { csvBytes } from "./csvText";
import { type LineProblem, numberIn, readTable } from "./table";

const COLUMNS = {
  name: ["name", "pin"],
  role: ["role"],
  x: ["x"],
  y: ["y"],
  input: ["input", "in"],
  output: ["output", "out"],
  pullUp: ["pull-up", "pull up", "pullup"],
  interrupt: ["interrupt"],
  pwm: ["pwm"],
  analog: ["analog", "analog channel"],
  buses: ["buses", "bus"],
  reserved: ["reserved"],
  boot: ["boot"],
  volts: ["volts", "voltage"],
};

/** What each column of a pin table means, for the person. */
export const pinColumns: [column: string, meaning: string][] = [
  ["name", "as printed on the board; pads of one role may share a name such as GND"],
  ["role", "io, ground, supply, logic-supply, reset or unused; io when left empty"],
  ["x, y", "mm from the middle of the module, connector upwards, seen from the parts side; y grows downwards"],
  [
    "input, output, pull-up, interrupt, pwm",
    "yes or no; input, output and pull-up are yes for an io pin when left empty",
  ],
  ["analog", "channel number of the converter, or empty"],
  ["buses", "bus, number of the chip's controller and line, e.g. i2c 0 SDA; several with + between"],
  ["volts", "what a supply pad gives, or empty"],
  ["reserved, boot", "in words: what the board needs the pin for, what it decides at the start; or empty"],
];

const YES = new Set(["yes", "y", "1", "true", "x"]);
const NO = new Set(["no", "n", "0", "false", "-"]);

function yesNo(cell: string | undefined, otherwise: boolean): boolean | null {
  if (cell === undefined || cell === "") return otherwise;
  const word = cell.toLowerCase();
  return YES.has(word) ? true : NO.has(word) ? false : null;
}

/** Bus roles in words, "i2c 0 SDA + spi 1 clock"; null when they are not like that. */
export function readBuses(cell: string | undefined): Pin["buses"] | null {
  if (!cell || cell.trim() === "") return [];
  const roles = cell.split("+").map((part) => /^\s*(i2c|spi|uart)\s*(\d+)\s+(.+?)\s*$/i.exec(part));
  if (roles.some((role) => role === null)) return null;
  return roles.map((role) => ({
    bus: role![1].toLowerCase() as "i2c" | "spi" | "uart",
    instance: Number(role![2]),
    line: role![3],
  }));
}

export const busWords = (buses: Pin["buses"]): string =>
  buses.map(({ bus, instance, line }) => `${bus} ${instance} ${line}`).join(" + ");

type YesNoField = "input" | "output" | "pullUp" | "interrupt" | "pwm";

function abilitiesOf(cells: Record<string, string>, isIo: boolean): Record<YesNoField, boolean> | string {
  const fields: [YesNoField, boolean][] = [
    ["input", isIo],
    ["output", isIo],
    ["pullUp", isIo],
    ["interrupt", false],
    ["pwm", false],
  ];
  const found: Partial<Record<YesNoField, boolean>> = {};
  for (const [field, otherwise] of fields) {
    const value = yesNo(cells[field], otherwise);
    if (value === null) return `"${cells[field]}" under ${COLUMNS[field][0]} is neither yes nor no.`;
    found[field] = value;
  }
  return found as Record<YesNoField, boolean>;
}

/** Cells that are more than yes or no: place, buses and analog channel; or what is wrong with them. */
function valuesOf(
  cells: Record<string, string>,
): Pick<Pin, "xMm" | "yMm" | "buses" | "analogChannel" | "volts"> | string {
  const [xMm, yMm] = [numberIn(cells.x), numberIn(cells.y)];
  if (xMm === null || yMm === null)
    return `x is "${cells.x ?? ""}" and y is "${cells.y ?? ""}"; both must be numbers in mm.`;
  const buses = readBuses(cells.buses);
  if (buses === null) return `"${cells.buses}" under buses is not like "i2c 0 SDA".`;
  const analogChannel = cells.analog ? numberIn(cells.analog) : null;
  if (cells.analog && analogChannel === null) return `"${cells.analog}" under analog is not a channel number.`;
  const volts = cells.volts ? numberIn(cells.volts) : null;
  if (cells.volts && volts === null) return `"${cells.volts}" under volts is not a number.`;
  return { xMm, yMm, buses, analogChannel, volts };
}

function pinOf(cells: Record<string, string>): Pin | string {
  const role = (cells.role || "io").toLowerCase();
  const values = valuesOf(cells);
  if (typeof values === "string") return values;
  const abilities = abilitiesOf(cells, role === "io");
  if (typeof abilities === "string") return abilities;
  const words = { name: cells.name ?? "", reserved: cells.reserved || null, boot: cells.boot || null };
  const parsed = pinSchema.safeParse({ role, ...values, ...abilities, ...words });
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  return `${String(issue.path[0] ?? "The line")}: ${issue.message}.`;
}

/** Reads a pin table; lines with problems are left out and told, as are I/O names that come twice. */
export function readPinTable(text: string): { pins: Pin[]; problems: LineProblem[] } {
  const table = readTable(text, COLUMNS);
  const problems = [...table.problems];
  const pins: Pin[] = [];
  const names = new Set<string>();
  for (const { line, cells } of table.rows) {
    const pin = pinOf(cells);
    if (typeof pin === "string") problems.push({ line, message: pin });
    else if (pin.role === "io" && names.has(pin.name))
      problems.push({ line, message: `There is an I/O pin "${pin.name}" already; each needs its own name.` });
    else {
      if (pin.role === "io") names.add(pin.name);
      pins.push(pin);
    }
  }
  if (table.rows.length === 0) problems.push({ line: 1, message: "There is no line with a pin." });
  return { pins, problems };
}

const word = (yes: boolean) => (yes ? "yes" : "no");

/** A controller's pins as a table that can be read back. */
export function pinTableCsv(profile: ControllerProfile): Uint8Array {
  const data = profile.pins.map((pin) => ({
    name: asText(pin.name),
    role: pin.role,
    x: String(pin.xMm),
    y: String(pin.yMm),
    input: word(pin.input),
    output: word(pin.output),
    "pull-up": word(pin.pullUp),
    interrupt: word(pin.interrupt),
    pwm: word(pin.pwm),
    analog: pin.analogChannel === null ? "" : String(pin.analogChannel),
    buses: busWords(pin.buses),
    reserved: asText(pin.reserved ?? ""),
    boot: asText(pin.boot ?? ""),
    volts: pin.volts === null ? "" : String(pin.volts),
  }));
  const fields = [
    "name",
    "role",
    "x",
    "y",
    "input",
    "output",
    "pull-up",
    "interrupt",
    "pwm",
    "analog",
    "buses",
    "reserved",
    "boot",
    "volts",
  ];
  return csvBytes(fields, data);
}
