import { GLYPH_COLUMNS } from "../contract/displays";

/** Signs by rows from the top, in hexadecimal: five dots, the highest bit at the left; an eighth row hangs below the line. */
const SIGNS: Record<string, string> = {
  " ": "00 00 00 00 00 00 00",
  "!": "04 04 04 04 04 00 04",
  '"': "0a 0a 0a 00 00 00 00",
  "#": "0a 0a 1f 0a 1f 0a 0a",
  $: "04 0f 14 0e 05 1e 04",
  "%": "18 19 02 04 08 13 03",
  "&": "0c 12 14 08 15 12 0d",
  "'": "04 04 08 00 00 00 00",
  "(": "02 04 08 08 08 04 02",
  ")": "08 04 02 02 02 04 08",
  "*": "00 04 15 0e 15 04 00",
  "+": "00 04 04 1f 04 04 00",
  ",": "00 00 00 00 0c 04 08",
  "-": "00 00 00 1f 00 00 00",
  ".": "00 00 00 00 00 0c 0c",
  "/": "00 01 02 04 08 10 00",
  "0": "0e 11 13 15 19 11 0e",
  "1": "04 0c 04 04 04 04 0e",
  "2": "0e 11 01 02 04 08 1f",
  "3": "1f 02 04 02 01 11 0e",
  "4": "02 06 0a 12 1f 02 02",
  "5": "1f 10 1e 01 01 11 0e",
  "6": "06 08 10 1e 11 11 0e",
  "7": "1f 01 02 04 08 08 08",
  "8": "0e 11 11 0e 11 11 0e",
  "9": "0e 11 11 0f 01 02 0c",
  ":": "00 0c 0c 00 0c 0c 00",
  ";": "00 0c 0c 00 0c 04 08",
  "<": "02 04 08 10 08 04 02",
  "=": "00 00 1f 00 1f 00 00",
  ">": "08 04 02 01 02 04 08",
  "?": "0e 11 01 02 04 00 04",
  "@": "0e 11 01 0d 15 15 0e",
  A: "0e 11 11 11 1f 11 11",
  B: "1e 11 11 1e 11 11 1e",
  C: "0e 11 10 10 10 11 0e",
  D: "1c 12 11 11 11 12 1c",
  E: "1f 10 10 1e 10 10 1f",
  F: "1f 10 10 1e 10 10 10",
  G: "0e 11 10 17 11 11 0f",
  H: "11 11 11 1f 11 11 11",
  I: "0e 04 04 04 04 04 0e",
  J: "07 02 02 02 02 12 0c",
  K: "11 12 14 18 14 12 11",
  L: "10 10 10 10 10 10 1f",
  M: "11 1b 15 15 11 11 11",
  N: "11 11 19 15 13 11 11",
  O: "0e 11 11 11 11 11 0e",
  P: "1e 11 11 1e 10 10 10",
  Q: "0e 11 11 11 15 12 0d",
  R: "1e 11 11 1e 14 12 11",
  S: "0f 10 10 0e 01 01 1e",
  T: "1f 04 04 04 04 04 04",
  U: "11 11 11 11 11 11 0e",
  V: "11 11 11 11 11 0a 04",
  W: "11 11 11 15 15 15 0a",
  X: "11 11 0a 04 0a 11 11",
  Y: "11 11 11 0a 04 04 04",
  Z: "1f 01 02 04 08 10 1f",
  "[": "0e 08 08 08 08 08 0e",
  "\\": "00 10 08 04 02 01 00",
  "]": "0e 02 02 02 02 02 0e",
  "^": "04 0a 11 00 00 00 00",
  _: "00 00 00 00 00 00 1f",
  "`": "08 04 02 00 00 00 00",
  a: "00 00 0e 01 0f 11 0f",
  b: "10 10 16 19 11 11 1e",
  c: "00 00 0e 10 10 11 0e",
  d: "01 01 0d 13 11 11 0f",
  e: "00 00 0e 11 1f 10 0e",
  f: "06 09 08 1c 08 08 08",
  g: "00 00 0f 11 11 0f 01 0e",
  h: "10 10 16 19 11 11 11",
  i: "04 00 0c 04 04 04 0e",
  j: "02 00 06 02 02 02 12 0c",
  k: "10 10 12 14 18 14 12",
  l: "0c 04 04 04 04 04 0e",
  m: "00 00 1a 15 15 11 11",
  n: "00 00 16 19 11 11 11",
  o: "00 00 0e 11 11 11 0e",
  p: "00 00 1e 11 11 1e 10 10",
  q: "00 00 0d 13 11 0f 01 01",
  r: "00 00 16 19 10 10 10",
  s: "00 00 0f 10 0e 01 1e",
  t: "08 08 1c 08 08 09 06",
  u: "00 00 11 11 11 13 0d",
  v: "00 00 11 11 11 0a 04",
  w: "00 00 11 11 15 15 0a",
  x: "00 00 11 0a 04 0a 11",
  y: "00 00 11 11 11 0f 01 0e",
  z: "00 00 1f 02 04 08 1f",
  "{": "02 04 04 08 04 04 02",
  "|": "04 04 04 04 04 04 04",
  "}": "08 04 04 02 04 04 08",
  "~": "00 00 08 15 02 00 00",
  "°": "0c 12 12 0c 00 00 00",
  "→": "00 04 02 1f 02 04 00",
  "←": "00 04 08 1f 08 04 00",
  "↑": "04 0e 15 04 04 04 00",
  "↓": "00 04 04 04 15 0e 04",
  µ: "00 00 11 11 11 13 1d 10",
  "×": "00 11 0a 04 0a 11 00",
  "·": "00 00 00 0c 0c 00 00",
  "…": "00 00 00 00 00 00 15",
  "±": "04 04 1f 04 04 00 1f",
  ß: "0c 12 12 16 11 11 16 10",
  ø: "00 00 0d 13 15 19 16",
  Ø: "0d 13 13 15 19 19 16",
  æ: "00 00 1a 05 0f 14 0b",
  Æ: "0f 14 14 1f 14 14 17",
};

/** Marks over letters, by two rows: those that the letters of the Latin alphabets wear most (Unicode's combining marks). */
const MARKS: Record<string, [number, number]> = {
  "\u0300": [0x08, 0x04],
  "\u0301": [0x02, 0x04],
  "\u0302": [0x04, 0x0a],
  "\u0303": [0x0d, 0x16],
  "\u0304": [0x0e, 0x00],
  "\u0306": [0x0a, 0x04],
  "\u0307": [0x04, 0x00],
  "\u0308": [0x0a, 0x00],
  "\u030a": [0x04, 0x0a],
  "\u030b": [0x05, 0x0a],
  "\u030c": [0x0a, 0x04],
};
/** Marks beneath them. */
const BENEATH: Record<string, number> = { "\u0327": 0x04, "\u0328": 0x02 };

/** Signs that look like others here. */
const LIKE: Record<string, string> = {
  "\u00a0": " ",
  "\u2018": "'",
  "\u2019": "'",
  "\u201c": '"',
  "\u201d": '"',
  "\u2010": "-",
  "\u2013": "-",
  "\u2014": "-",
  "\u2212": "-",
  "\u03bc": "µ",
};

const ROWS = 8;
const UNKNOWN = [0x1f, 0x11, 0x11, 0x11, 0x11, 0x11, 0x1f, 0x00];

function rowsOf(sign: string): number[] | null {
  const own = LIKE[sign] ?? sign;
  if (!Object.hasOwn(SIGNS, own)) return null;
  const rows = SIGNS[own].split(" ").map((hex) => parseInt(hex, 16));
  return [...rows, ...new Array<number>(ROWS - rows.length).fill(0)];
}

/** A mark goes over a small letter; a capital is made a row shorter for it. */
function wearing(rows: number[], [upper, lower]: [number, number]): number[] {
  const hasRoom = rows[1] === 0;
  return hasRoom ? [upper, lower, ...rows.slice(2)] : [upper | lower, rows[0], ...rows.slice(2)];
}

function letterRows(sign: string): number[] | null {
  const whole = rowsOf(sign);
  if (whole) return whole;
  const [letter, ...marks] = sign.normalize("NFD");
  return marks.reduce<number[] | null>(
    (rows, mark) => {
      if (!rows) return null;
      if (Object.hasOwn(BENEATH, mark)) return [...rows.slice(0, ROWS - 1), rows[ROWS - 1] | BENEATH[mark]];
      return Object.hasOwn(MARKS, mark) ? wearing(rows, MARKS[mark]) : null;
    },
    marks.length > 0 ? rowsOf(letter) : null,
  );
}

/** Columns of rows: bytes with the lowest bit on top. */
const columnsOf = (rows: number[]): number[] =>
  Array.from({ length: GLYPH_COLUMNS }, (_, column) =>
    rows.reduce((byte, row, nth) => byte | (((row >> (GLYPH_COLUMNS - 1 - column)) & 1) << nth), 0),
  );

/** The signs of a text, as a person counts them: a letter with its marks is one. */
export const signsOf = (text: string): string[] => [...text.normalize("NFC")];

/** Signs of a text that cannot be drawn, each once. */
export const undrawnSigns = (text: string): string[] => [
  ...new Set(signsOf(text).filter((sign) => letterRows(sign) === null)),
];

/** The five columns of a sign, each a byte with its lowest bit on top; a box for one that cannot be drawn. */
export const glyphOf = (sign: string): number[] => columnsOf(letterRows(sign) ?? UNKNOWN);
