import { good } from "../document/problem";
import { recordScript } from "../engine/script";
import { archiveReadme, makefile, pinsHeader, tablesSource } from "./archiveFiles";
import { demonstrationOf } from "./demonstration";
import type { FirmwareTarget } from "./firmwareTarget";

/** Sources for any C99 compiler, with a stand-in that plays a demonstration and compares its reports. */
export const c99: FirmwareTarget = {
  id: "firmware-c",
  title: "Firmware, C99",
  purpose: "Runtime, tables, pin list, a stand-in that runs on this computer, and what to do in which order.",
  takes: [
    "The whole runtime: keymap, layers, knobs, sticks and pots, lamps, lights and segment displays, music, live changes.",
    "Lines of text that tell what is shown: each byte of your serial port goes to one call; so does each note that does.",
    "Music sockets, but for the call that hands their bytes to your serial transmitter.",
    "A radio's packets, but for the call that hands them to yours.",
    "Both parts of a device with two controllers: the same sources, each with its number, and your serial line between them.",
    "Pins, added parts and USB are left to whoever builds it.",
  ],
  problems: () => [],
  async files(design, plan) {
    const demonstration = recordScript(design, demonstrationOf(design));
    if (!demonstration.ok) return demonstration;
    const { RUNTIME_SOURCES } = await import("./runtimeSources.generated");
    return good({
      "README.md": archiveReadme(design),
      Makefile: makefile,
      "tables.c": tablesSource(plan, design),
      "pins.h": pinsHeader(plan, design),
      "demo.txt": demonstration.value.script,
      "expected.txt": demonstration.value.expected,
      ...RUNTIME_SOURCES,
    });
  },
};
