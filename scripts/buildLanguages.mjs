// npm run languages: reads what keys type under each keyboard language from Debian's xkb-data, and what dead keys make from
// libx11-data, and writes src/core/languages/languages.generated.ts. It is run when those packages change, not by the checks;
// what it wrote is held against libxkbcommon by tests/reference/languages.test.ts.
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { tsImport } from "tsx/esm/api";
import { root } from "./prepare.mjs";

const SYMBOLS = "/usr/share/X11/xkb/symbols";
const COMPOSE = "/usr/share/X11/locale/en_US.UTF-8/Compose";
const KEYSYMS = "/usr/include/xkbcommon/xkbcommon-keysyms.h";

/** Usage of the keyboard page for each key, by the name that xkb gives to its place. */
const PLACES = {
  ...row("AE", "1e 1f 20 21 22 23 24 25 26 27 2d 2e", 1),
  ...row("AD", "14 1a 08 15 17 1c 18 0c 12 13 2f 30", 1),
  ...row("AC", "04 16 07 09 0a 0b 0d 0e 0f 33 34", 1),
  ...row("AB", "1d 1b 06 19 05 11 10 36 37 38 87", 1),
  TLDE: 0x35,
  BKSL: 0x31,
  LSGT: 0x64,
  AE13: 0x89,
  SPCE: 0x2c,
};
function row(name, usages, first) {
  const places = usages.split(" ").map((usage, nth) => [`${name}${String(first + nth).padStart(2, "0")}`, usage]);
  return Object.fromEntries(places.map(([place, usage]) => [place, parseInt(usage, 16)]));
}

/** Characters of the named keysyms, from the comments that stand beside them ("U+00E9"); in brackets where it is the nearest. */
const characters = new Map(
  [...readFileSync(KEYSYMS, "utf8").matchAll(/#define XKB_KEY_(\w+)\s+0x[0-9a-f]+\s*\/\*[ (]U\+([0-9A-F]{4,6})/gi)].map(
    ([, name, code]) => [name, String.fromCodePoint(parseInt(code, 16))],
  ),
);
/** What the header gives only the nearest of. */
const OTHERWISE = { KP_Space: " ", leftanglebracket: "⟨", rightanglebracket: "⟩" };
function characterOf(keysym) {
  if (/^[A-Za-z0-9]$/.test(keysym)) return keysym;
  const unicode = /^(?:U|0x0*100)([0-9A-Fa-f]{4,6})$/.exec(keysym);
  if (unicode) return String.fromCodePoint(parseInt(unicode[1], 16));
  return OTHERWISE[keysym] ?? characters.get(keysym) ?? null;
}

/** What a level does: a character, a dead key as its name after "dead_", or nothing. */
function deedOf(keysym) {
  if (!keysym) return "";
  const dead = /^dead_(\w+)$/.exec(keysym);
  if (dead) return `dead ${dead[1]}`;
  const character = characterOf(keysym);
  return character !== null && !/\p{Cc}/u.test(character) ? character : "";
}

const withoutComments = (text) => text.replace(/\/\/.*$/gm, "").replace(/#.*$/gm, "");

/** The statements between the braces of a section, and the default section's name. */
const files = new Map();
function sectionsOf(file) {
  if (files.has(file)) return files.get(file);
  const text = withoutComments(readFileSync(`${SYMBOLS}/${file}`, "utf8"));
  const sections = new Map();
  let first = null;
  for (const found of text.matchAll(/((?:\w+\s+)*)xkb_symbols\s+"([^"]+)"\s*\{/g)) {
    const from = found.index + found[0].length;
    sections.set(found[2], text.slice(from, closing(text, from)));
    if (first === null || /\bdefault\b/.test(found[1])) first = found[2];
  }
  const entry = { sections, first };
  files.set(file, entry);
  return entry;
}

/** Where the brace closes that was opened before. */
function closing(text, from) {
  let depth = 1;
  for (let at = from; at < text.length; at++) {
    if (text[at] === "{") depth++;
    if (text[at] === "}" && --depth === 0) return at;
  }
  throw new Error("a brace is not closed");
}

const STATEMENT =
  /(?:(include|augment|override|replace)\s+"([^"]+)")|(?:(augment|override|replace)?\s*key\s*<(\w+)>\s*\{)|(?:key\.type(?:\[\s*\w+\s*\])?\s*=\s*"([^"]+)")/g;

/** Adds what a section says to the keys. */
function read(keys, file, name) {
  const { sections, first } = sectionsOf(file);
  const text = sections.get(name ?? first);
  if (text === undefined) throw new Error(`${file} has no section ${name}`);
  let type = null;
  for (const found of text.matchAll(STATEMENT)) {
    if (found[2]) include(keys, found[2]);
    else if (found[5]) type = found[5];
    else {
      const from = found.index + found[0].length;
      setKey(keys, found[4], text.slice(from, closing(text, from)), type, found[3]);
    }
  }
}

function include(keys, what) {
  for (const part of what.split(/[+|]/)) {
    const [, file, name] = /^([\w/-]+)(?:\(([^)]+)\))?(?::\d)?$/.exec(part.trim());
    read(keys, file, name);
  }
}

function setKey(keys, place, body, defaultType, mode) {
  const own = /type(?:\[\s*\w+\s*\])?\s*=\s*"([^"]+)"/.exec(body)?.[1];
  const withoutActions = body.replace(/actions(?:\[\s*\w+\s*\])?\s*=\s*\[[^\]]*\]/g, "");
  const group = /\[([^\]]*)\]/.exec(withoutActions.replace(/\w+\[\s*\w+\s*\]/g, ""));
  const before = mode === "replace" ? undefined : keys.get(place);
  const said = group ? group[1].split(",").map((one) => one.trim()) : [];
  const levels = [];
  for (let level = 0; level < Math.max(said.length, before?.levels.length ?? 0); level++) {
    const now = said[level] && !/^(NoSymbol|any)$/i.test(said[level]) ? said[level] : undefined;
    const old = before?.levels[level];
    levels.push(mode === "augment" ? (old ?? now) : (now ?? old));
  }
  keys.set(place, { levels, type: own ?? defaultType ?? before?.type ?? null });
}

const isPair = (lower, upper) => lower !== upper && lower.toUpperCase() === upper && upper.toLowerCase() === lower;

/** Whether Caps Lock turns Shift round on a key: as its type says, else when its two signs are one letter. */
function heedsCaps({ type }, [plain, shifted]) {
  if (type && !/^(FOUR_LEVEL_PLUS_LOCK|FOUR_LEVEL_MIXED_KEYPAD)$/.test(type)) return /ALPHABETIC/.test(type);
  return isPair(plain, shifted);
}

/** How many levels a key has: its type may leave out some that it was given. */
const levelsOf = (type, third) => ({ ONE_LEVEL: 1, TWO_LEVEL: 2, ALPHABETIC: 2 })[type] ?? (third ? 4 : 2);

function languageOf({ id, layout, variant }) {
  const keys = new Map();
  include(keys, "pc");
  read(keys, layout, variant);
  const third = keys.get("RALT")?.levels[0] === "ISO_Level3_Shift";
  const table = {};
  for (const [place, usage] of Object.entries(PLACES)) {
    const key = keys.get(place);
    const levels = (key?.levels ?? []).slice(0, levelsOf(key?.type, third)).map(deedOf);
    if (third && /^FOUR_LEVEL/.test(key?.type ?? "")) while (levels.length < 4) levels.push("");
    if (levels.length === 1) levels.push(levels[0]);
    if (levels.every((deed) => deed === "")) continue;
    table[usage.toString(16)] = heedsCaps(key, levels) ? [...levels, 1] : levels;
  }
  return [id, { third, keys: table }];
}

/** What a dead key makes of what is typed next: lines like <dead_acute> <e> : "é" eacute. */
function deadKeys(used) {
  const makes = {};
  for (const line of readFileSync(COMPOSE, "utf8").split("\n")) {
    const found = /^<dead_(\w+)>\s+<(\w+)>\s*:\s*"((?:[^"\\]|\\.)+)"/.exec(line);
    if (!found || !used.has(found[1])) continue;
    const next = deedOf(found[2]);
    const made = found[3].replace(/\\(.)/g, "$1");
    if (next === "" || [...made].length > 2) continue;
    (makes[found[1]] ??= {})[next] = made;
  }
  return makes;
}

const versionOf = (name) => execFileSync("dpkg-query", ["-W", "-f=${Version}", name], { encoding: "utf8" });

const { languageList } = await tsImport("../src/core/languages/languageList.ts", import.meta.url);
const tables = Object.fromEntries(Object.entries(languageList).map(([id, place]) => languageOf({ id, ...place })));
const used = new Set();
for (const { keys } of Object.values(tables))
  for (const levels of Object.values(keys))
    for (const deed of levels) if (String(deed).startsWith("dead ")) used.add(deed.slice(5));
const line = ([key, value]) => `  ${JSON.stringify(key)}: ${JSON.stringify(value)},`;
writeFileSync(
  `${root}src/core/languages/languages.generated.ts`,
  `// Generated by scripts/buildLanguages.mjs; do not edit. Keys and levels from Debian's xkb-data ${versionOf("xkb-data")},
// what dead keys make from libx11-data ${versionOf("libx11-data")} (en_US.UTF-8/Compose), characters of names from the header of
// libxkbcommon-dev ${versionOf("libxkbcommon-dev")}. Licences: see docs/licences.md.
import type { DeadKeys, KeyTable } from "./hostLanguage";

/** By language, by the usage of a key in hexadecimal: what it does plain, with Shift, on the third level, on it with Shift; 1 at the end where it heeds Caps Lock. */
export const KEY_TABLES: Record<string, KeyTable> = {
${Object.entries(tables).map(line).join("\n")}
};

/** By dead key: what it makes of what is typed next. */
export const DEAD_KEYS: DeadKeys = {
${Object.entries(deadKeys(used)).map(line).join("\n")}
};
`,
);
console.log(`${Object.keys(tables).length} languages, ${used.size} dead keys`);
