// Writes what is generated around the firmware: the device contract as a C header, the runtime as a WebAssembly module
// for the engine, and the runtime's sources for the exported archive. With --check it only tells whether they are up to
// date: sources always, the module's bytes only under the compiler version that it records.
import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { tsImport } from "tsx/esm/api";

const { usb8Images } = await tsImport("../src/core/image/usb8Images.ts", import.meta.url);
const { withoutFlags } = await tsImport("../src/core/firmware/features.ts", import.meta.url);
const root = new URL("..", import.meta.url).pathname;
const WASM_MODULE = join(root, "src/core/engine/runtimeWasm.generated.ts");
/** The same module for browsers, which fetch it as a file; a unit test holds the two together. */
const WASM_FILE = join(root, "src/core/engine/runtime.generated.wasm");
const SOURCES_MODULE = join(root, "src/core/targets/runtimeSources.generated.ts");
const PROJECT_MODULE = join(root, "src/core/targets/project/projectSources.generated.ts");
const MEMORY_MODULE = join(root, "src/core/image/usb8Memory.generated.ts");
const IMAGE_MODULE = join(root, "src/core/image/usb8Image.generated.ts");
const CONTRACT = join(root, "firmware/src/contract.h");
const PYTHON_CONTRACT = join(root, "firmware/python/device/contract.py");
const PYTHON_MODULE = join(root, "src/core/targets/python/pythonSources.generated.ts");
const EXPORTS = [
  "ov_init",
  "ov_scan",
  "ov_host_locks",
  "ov_host_reset",
  "ov_host_sleeps",
  "ov_switch_closed",
  "ov_layer_active",
  "ov_tables_place",
  "ov_answers_place",
  "ov_levels_place",
  "ov_kept_place",
  "ov_encoder_edge",
  "ov_live_place",
  "ov_live_asked",
  "ov_live_frame",
  "ov_panel_place",
  "ov_answer_place",
  "ov_answer_came",
  "ov_part_is",
  "ov_host_configured",
  "ov_link_byte",
  "ov_link_is_heard",
  "ov_link_hears",
  "ov_link_missed",
  "ov_line_byte",
  "ov_hear",
  "ov_plug_latched",
  "ov_plug_clocked",
];
export const STRICT = ["-std=c99", "-Wall", "-Wextra", "-Wpedantic", "-Werror"];

const list = (folder) =>
  readdirSync(join(root, folder))
    .filter((name) => /\.[ch]$/.test(name))
    .sort()
    .map((name) => `${folder}/${name}`);

const runtime = list("firmware/src");
const exported = [...runtime, "firmware/hal/host/hal_host.c", "firmware/hal/board/hal_board.c"];
const stamped = [...runtime, "firmware/hal/wasm/hal_wasm.c"];
const image = [...runtime, ...list("firmware/hal/lines"), ...list("firmware/hal/usb8")];
/** The most that the image's arena may take of 2.5 KiB RAM; the rest is for its own variables and the stack. */
const ARENA_BYTES = 1536;
const text = (path) => readFileSync(join(root, path), "utf8");

/** @param how whatever else decides what comes of them */
export function sourceDigest(sources = stamped, how = "") {
  const hash = createHash("sha256").update(how);
  for (const path of sources) hash.update(path).update("\0").update(text(path)).update("\0");
  return hash.digest("hex");
}

/** Of all that the finished images come of: sources, what each is made with and where it lies, and how it is compiled. */
export const imageDigest = () => sourceDigest(image, JSON.stringify([usb8Images, ARENA_BYTES, TIGHT, COMPACT, STRICT]));

export function compileWasm() {
  const out = join(mkdtempSync(join(tmpdir(), "ovrin-")), "runtime.wasm");
  const sources = stamped.filter((path) => path.endsWith(".c"));
  const flags = [
    "--target=wasm32",
    "-Os",
    "-flto",
    "-ffreestanding",
    "-nostdlib",
    "-mbulk-memory",
    "-DOV_TABLES_ARE_LOADED",
    "-Ifirmware/src",
  ];
  const link = ["-Wl,--no-entry", "-Wl,--strip-all", ...EXPORTS.map((name) => `-Wl,--export=${name}`)];
  execFileSync("clang", [...STRICT, ...flags, ...sources, ...link, "-o", out], { cwd: root, stdio: "inherit" });
  return readFileSync(out);
}

/** What a processor's header defines. */
const defines = (processor) =>
  execFileSync("avr-gcc", [`-mmcu=${processor}`, "-E", "-dM", "-include", "avr/io.h", "-x", "c", "/dev/null"], {
    encoding: "utf8",
  });

/** The 8-bit USB class among the compiler's processors: 32 KiB flash and USB, a converter, ports from B on. */
export function usb8Processor() {
  const help = execFileSync("avr-gcc", ["--target-help"], { encoding: "utf8" });
  const names = [...new Set(help.match(/\b[a-z]+32u\d\b/g))];
  return names.find((name) => {
    const header = defines(name);
    return /\bADMUX\b/.test(header) && /\bPORTF\b/.test(header) && !/\bPORTA\b/.test(header);
  });
}

/** The first line of what a compiler says of itself. */
export const firstLine = (program) => execFileSync(program, ["--version"], { encoding: "utf8" }).split("\n")[0].trim();

/**
 * What keeps the image small without making it slower: near calls where they reach, no copies of code ahead of branches. Measured:
 * 1,000 bytes less.
 */
const COMPACT = ["-mrelax", "-fno-reorder-blocks", "-fno-tree-pre", "-fno-optimize-sibling-calls"];

const SMALL = ["-Os"];
const TIGHT = [...SMALL, "-fno-move-loop-invariants", "-mstrict-X", "-fno-tree-dominator-opts", "-mcall-prologues"];
const speedOf = ({ small }) => (small === "tight" ? TIGHT : small ? SMALL : ["-O2"]);

/** The code of one finished image of the 8-bit USB class, from flash address 0. */
export function compileUsb8(own) {
  const folder = mkdtempSync(join(tmpdir(), "ovrin-"));
  const elf = join(folder, "image.elf");
  const arena = `-DOV_DEVICE_ARENA_BYTES=${ARENA_BYTES}`;
  const flags = [...speedOf(own), ...COMPACT, "-flto", "-fno-jump-tables", arena, ...withoutFlags(own.with)];
  const places = [`-Wl,--defsym,ov_board=${own.boardAt}`, `-Wl,--defsym,ov_tables=${own.tablesAt}`];
  const sources = image.filter((path) => path.endsWith(".c"));
  const includes = ["-Ifirmware/src", "-Ifirmware/hal/lines", "-Ifirmware/hal/usb8"];
  const mcu = `-mmcu=${usb8Processor()}`;
  execFileSync("avr-gcc", [mcu, ...STRICT, ...flags, ...includes, ...sources, ...places, "-o", elf], {
    cwd: root,
    stdio: "inherit",
  });
  execFileSync("avr-objcopy", ["-O", "binary", elf, join(folder, "image.bin")]);
  const [, data, bss] = sectionsOf(elf);
  const bytes = readFileSync(join(folder, "image.bin"));
  if (bytes.length > own.boardAt)
    throw new Error(`the code of the image "${own.id}" takes ${bytes.length} bytes; its place has ${own.boardAt}`);
  return { id: own.id, bytes, variables: data + bss - ARENA_BYTES };
}

const compileAllUsb8 = () => usb8Images.map(compileUsb8);

/** Bytes of code, of variables that begin with a value, and of those that begin with 0. */
const sectionsOf = (program) =>
  execFileSync("avr-size", [program], { encoding: "utf8" }).split("\n")[1].trim().split(/\s+/).slice(0, 3).map(Number);

/** The image's features, by the names of their files. */
const FEATURES = {
  "check and memory": /\/(crc|check|arena|board|runtime|main)\.c$/,
  "contacts and debounce": /\/(scan|debounce|flips)\.c$/,
  "knobs and pulses": /\/(encoder|pulses|edges)\.c$/,
  "keymap and layers": /\/(keymap|layers|actions|held|effects)\.c$/,
  "keys that wait, next keys, opposites": /\/(waiting|inputs|jobs|together|next|opposites)\.c$/,
  macros: /\/macros\.c$/,
  "pointer and keeping awake": /\/(movers|awake|report_pointer)\.c$/,
  "addressable lights": /\/(lights|glows|send)\.c$/,
  axes: /\/axes\.c$/,
  "live changes": /\/(slots|changes|writing|unlock|live|passed)\.c$/,
  reports: /\/reports?(_(kinds|keyboard|consumer|system|pad))?\.c$/,
  "lines, registers, multiplexers and lamps": /\/(lines|lamp|panel)\.c$/,
  expanders: /\/expanders\.c$/,
  ladders: /\/ladder\.c$/,
  "pins, converter and bus": /\/access\.c$/,
  USB: /\/usb\.c$/,
};

/** Flash of each feature's files of the image for the 8-bit USB class, compiled one by one. */
export function usb8FeatureBytes() {
  const folder = mkdtempSync(join(tmpdir(), "ovrin-"));
  const includes = ["-Ifirmware/src", "-Ifirmware/hal/lines", "-Ifirmware/hal/usb8"];
  const flags = [`-mmcu=${usb8Processor()}`, "-std=c99", "-O2", "-fno-jump-tables", "-c"];
  const sizeOf = (path) => {
    const object = join(folder, path.replaceAll("/", "_"));
    execFileSync("avr-gcc", [...flags, `-DOV_DEVICE_ARENA_BYTES=${ARENA_BYTES}`, ...includes, path, "-o", object], {
      cwd: root,
    });
    const [code, data] = sectionsOf(object);
    return code + data;
  };
  const sources = image.filter((path) => path.endsWith(".c"));
  const named = (path) => Object.keys(FEATURES).find((feature) => FEATURES[feature].test(path)) ?? "other";
  const sums = {};
  for (const path of sources) sums[named(path)] = (sums[named(path)] ?? 0) + sizeOf(path);
  return sums;
}

export const compilerVersion = () => execFileSync("clang", ["--version"], { encoding: "utf8" }).split("\n")[0].trim();

export async function contractHeader() {
  const { contractHeader: header } = await tsImport("../src/core/contract/cHeader.ts", import.meta.url);
  return header();
}

/** The C header's numbers and lists of words, for the runtime in Python. */
export const pythonContract = (header) => {
  const lines = [...header.matchAll(/^#define OV_(?!BOARD_|FLASH_|LEVEL_|PART_(?!AT_|ENTRY_))(\w+) (\S.*)$/gm)].map(
    ([, name, value]) => `${name} = ${value.replace("{", "(").replace("}", ")")}`,
  );
  return `"""Generated from src/core/contract/contract.ts by scripts/buildFirmware.mjs; do not edit."""\n\n${lines.join("\n")}\n`;
};

/** The Python runtime's files by their path in the exported archive; its contract is passed in, as it may be newer. */
const pythonSources = (contract) => {
  const folder = "firmware/python";
  const names = readdirSync(join(root, folder), { recursive: true })
    .filter((name) => name.endsWith(".py"))
    .sort();
  return Object.fromEntries(
    names.map((name) => [name, name === "device/contract.py" ? contract : text(`${folder}/${name}`)]),
  );
};

const pythonModule = (contract) => `// Generated by scripts/buildFirmware.mjs from firmware/; do not edit.
/** Files of the device in Python, by their name in the exported archive. */
export const PYTHON_SOURCES: Record<string, string> = ${JSON.stringify(pythonSources(contract), null, 2)};
`;

const wasmModule = (bytes) => `// Generated by scripts/buildFirmware.mjs from firmware/; do not edit.
/** SHA-256 of the sources it was built from. */
export const RUNTIME_SOURCE_DIGEST = "${sourceDigest()}";
/** What it was built with: another version may give other bytes that do the same. */
export const RUNTIME_COMPILER = "${compilerVersion()}";
/** The runtime as a WebAssembly module, in hexadecimal. */
export const RUNTIME_WASM_HEX =
  "${bytes.toString("hex")}";
`;

const imageModule = (images) => `// Generated by scripts/buildFirmware.mjs from firmware/; do not edit.
/** SHA-256 of what they were built from. */
export const IMAGE_SOURCE_DIGEST = "${imageDigest()}";
/** What they were built with: another version may give other bytes that do the same. */
export const IMAGE_COMPILER = "${firstLine("avr-gcc")}";
/** The code of the finished images for the 8-bit USB class, in hexadecimal. */
export const IMAGE_CODE_HEX = {
${images.map(({ id, bytes }) => `  "${id}":\n    "${bytes.toString("hex")}",`).join("\n")}
};
`;

const memoryModule = (images) => `// Generated by scripts/buildFirmware.mjs from firmware/; do not edit.
/** Bytes of RAM that each image gives to runtime and pins. */
export const IMAGE_ARENA_BYTES = ${ARENA_BYTES};
/** Bytes of RAM of each image's own variables, beside those and the stack. */
export const IMAGE_VARIABLE_BYTES = {
${images.map(({ id, variables }) => `  ${/^\w+$/.test(id) ? id : `"${id}"`}: ${variables},`).join("\n")}
};
`;

const sourcesModule = () => `// Generated by scripts/buildFirmware.mjs from firmware/; do not edit.
/** Files of the runtime and its host stand-in, by their name in the exported archive. */
export const RUNTIME_SOURCES: Record<string, string> = ${JSON.stringify(
  Object.fromEntries(
    exported.map((path) => [path.replace(/^firmware\/(hal\/\w+\/)?/, (_, hal) => (hal ? "hal/" : "")), text(path)]),
  ),
  null,
  2,
)};
`;

const byName = (folder, to) =>
  Object.fromEntries(list(folder).map((path) => [`${to}/${path.slice(folder.length + 1)}`, text(path)]));

const projectModule = () => `// Generated by scripts/buildFirmware.mjs from firmware/; do not edit.
/** Files of a project that drives pins and added parts by itself, by their name in the exported archive. */
export const LINES: Record<string, string> = ${JSON.stringify(byName("firmware/hal/lines", "lines"), null, 2)};
/** For the 8-bit USB classes. */
export const USB8: Record<string, string> = ${JSON.stringify(byName("firmware/hal/usb8", "chip"), null, 2)};
/** For any other controller. */
export const PORT: Record<string, string> = ${JSON.stringify(byName("firmware/hal/port", "port"), null, 2)};
`;

/** Whether a generated file says what it should; a module built by another compiler is judged by its sources' digest. */
function isStale(path, content) {
  const there = readFileSync(path, "utf8");
  if (there === content) return false;
  const recorded = /_COMPILER = "(.*)"/.exec(there)?.[1];
  if (path === WASM_MODULE && recorded !== compilerVersion())
    return !there.includes(`RUNTIME_SOURCE_DIGEST = "${sourceDigest()}"`);
  if (path === IMAGE_MODULE && !there.includes(`IMAGE_SOURCE_DIGEST = "${imageDigest()}"`)) return true;
  if (path === IMAGE_MODULE && (content === "" || recorded !== firstLine("avr-gcc"))) return false;
  return true;
}

if (process.argv[1] === new URL(import.meta.url).pathname) {
  const check = process.argv.includes("--check");
  const header = await contractHeader();
  const stale = [];
  const put = (path, content) => {
    if (!check) writeFileSync(path, content);
    else if (isStale(path, content)) stale.push(path);
  };
  put(CONTRACT, header);
  const contract = pythonContract(header);
  put(PYTHON_CONTRACT, contract);
  put(PYTHON_MODULE, pythonModule(contract));
  const wasm = compileWasm();
  put(WASM_MODULE, wasmModule(wasm));
  if (!check) writeFileSync(WASM_FILE, wasm);
  put(SOURCES_MODULE, sourcesModule());
  put(PROJECT_MODULE, projectModule());
  // Images that are stamped with all they come of are not compiled again to be checked: tests/firmware/limits.test.ts does so with some of them.
  if (!check || isStale(IMAGE_MODULE, "")) {
    const images = compileAllUsb8();
    put(IMAGE_MODULE, imageModule(images));
    put(MEMORY_MODULE, memoryModule(images));
  }
  if (stale.length > 0) {
    console.error(`out of date, run "npm run firmware":\n${stale.join("\n")}`);
    process.exit(1);
  }
  if (!check) console.log("the contract in C and Python and the generated modules are written");
}
