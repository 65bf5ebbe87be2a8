import type { Net } from "../circuits/net";
import { ONE_PLUG } from "./onePlug";
import { derive } from "../derived/derive";
import { halfName } from "../derived/halfName";
import { throughWords } from "../derived/throughWords";
import { isOnBus } from "../document/partLinks";
import type { Design } from "../document/schema";
import { bytesOf } from "../hid/descriptorWriter";
import { reportNumber } from "../hid/endpointPlan";
import { serialItems } from "../hid/serialInterfaces";
import { usbLayoutOf } from "../firmware/endpoints";
import { descriptorItems } from "../firmware/descriptorItems";
import type { ScanTable } from "../firmware/scanTable";
import { arenaNeed } from "../firmware/capacity";
import { keymapLines } from "./keymapWords";
import { type TableSection, tableSections } from "../firmware/tableListing";

const hexByte = (byte: number) => `0x${byte.toString(16).padStart(2, "0")}`;

/** A person's words inside a C comment: nothing that could end it or run on. */
export const inComment = (words: string) =>
  words
    .replace(/\*\//g, "* /")
    .replace(/\/\*/g, "/ *")
    .replace(/[\r\n\\?]/g, " ");

function sectionLines({ title, bytes, entryBytes }: TableSection): string {
  const lines: string[] = [`  /* ${title} */`];
  for (let at = 0; at < bytes.length; at += entryBytes)
    lines.push(
      `  ${bytes
        .slice(at, at + entryBytes)
        .map(hexByte)
        .join(", ")},`,
    );
  return lines.join("\n");
}

/** The generated tables as a C source. */
export function tableArray(plan: ScanTable, design: Design): string {
  return `/* The tables of "${inComment(design.name)}". Generated from its design file; change the design, not this. */
#include "ovrin.h"
#include "tables.h"

const uint8_t ov_tables[] OV_IN_FLASH = {
${tableSections(plan, design).map(sectionLines).join("\n")}
};
`;
}

/** The same with the runtime's memory, for builds whose board brings none. */
export const tablesSource = (plan: ScanTable, design: Design): string => `${tableArray(plan, design)}
/* The runtime's memory for this device. */
uint16_t ov_arena[${Math.max(1, Math.ceil(arenaNeed(plan, design) / 2))}];
const uint16_t ov_arena_bytes = sizeof ov_arena;
`;

/** Bytes as a C source, sixteen a line. */
export const bytesSource = (bytes: ArrayLike<number>): string =>
  sectionLines({ title: "", bytes: Array.from(bytes), entryBytes: 16 })
    .split("\n")
    .slice(1)
    .join("\n");

/** On which part a net's pin is, where there are several. */
const partWords = (design: Design, net: Net | undefined): string =>
  net?.controllerId && design.controllers.length > 1
    ? `part ${design.controllers.findIndex(({ id }) => id === net.controllerId)} (${halfName(design, net.controllerId)})`
    : "";

function lineComments(title: string, nets: string[], design: Design): string {
  const { netById, elements } = derive(design);
  const through = throughWords(derive(design));
  const lines = nets.map((id, number) => {
    const where = [design.pinPlan[id]?.pin, partWords(design, netById.get(id)), through.get(id)];
    const pin = inComment(where.filter(Boolean).join(", ") || "no pin yet");
    return ` *   ${String(number).padStart(3)}  ${inComment(netById.get(id)?.flag ?? elements.get(id)?.label ?? id).padEnd(16)} ${pin}`;
  });
  return ` * ${title}\n${lines.length > 0 ? lines.join("\n") : " *   none"}`;
}

/** Lines that have no number in the tables: of chains, buses, radios and sockets. */
function otherLines(plan: ScanTable, design: Design): string {
  const numbered = new Set([...plan.strobeLines, ...plan.senseLines, ...plan.lampLines, ...plan.sensors]);
  const others = derive(design).signalNets.filter(({ id, need }) => need !== null && !numbered.has(id));
  const lines = others.map(
    (net) =>
      ` *        ${inComment(net.flag).padEnd(16)} ${inComment([design.pinPlan[net.id]?.pin ?? "no pin yet", partWords(design, net)].filter(Boolean).join(", "))}`,
  );
  return ` * Other lines (of chains, buses, radios, sockets):\n${lines.length > 0 ? lines.join("\n") : " *   none"}`;
}

const pinArray = (name: string, nets: string[], design: Design) => {
  const pins = nets.map((id) => JSON.stringify(design.pinPlan[id]?.pin ?? ""));
  const items = pins.length > 0 ? pins.join(", ") : '""';
  return `#define ${name}_COUNT ${nets.length}\n#define ${name}_PINS {${items}}`;
};

const descriptorArray = (name: string, bytes: Uint8Array) =>
  `#define ${name} {${[...bytes].map(hexByte).join(", ")}}\n#define ${name}_LENGTH ${bytes.length}`;

/** Which pin each numbered line is on, and the report descriptors, as a C header. */
export function pinsHeader(plan: ScanTable, design: Design): string {
  const { profile } = derive(design);
  const { plan: groups, serial } = usbLayoutOf(design);
  const descriptors = groups.flatMap((group) => [
    descriptorArray(
      `OV_DESCRIPTOR_${group.join("_").toUpperCase()}`,
      Uint8Array.from(group.flatMap((kind) => [...bytesOf(descriptorItems(design, kind))])),
    ),
    ...group.flatMap((kind) => {
      const number = reportNumber(group, kind);
      return number > 0
        ? [`#define OV_NUMBER_${kind.toUpperCase()} ${number} /* the first byte of its reports */`]
        : [];
    }),
  ]);
  if (serial) {
    const bytes = bytesOf(serialItems(serial.interface, serial.endpoint));
    descriptors.push(descriptorArray("OV_DESCRIPTOR_SERIAL", bytes));
  }
  return `/* Lines and pins of "${inComment(design.name)}" on the ${inComment(profile?.title ?? "controller (none chosen yet)")}.
${lineComments("Strobe lines (driven low one at a time, else floating):", plan.strobeLines, design)}
${lineComments("Sense lines (inputs with pull-up; 16 to a bank):", plan.senseLines, design)}
${lineComments("Lamp lines (outputs, high is lit):", plan.lampLines, design)}
${lineComments("Sensors (voltages):", plan.sensors, design)}
${otherLines(plan, design)}
 */
#ifndef OV_PINS_H
#define OV_PINS_H

${pinArray("OV_STROBE", plan.strobeLines, design)}
${pinArray("OV_SENSE", plan.senseLines, design)}
${pinArray("OV_LAMP", plan.lampLines, design)}
${pinArray("OV_SENSOR", plan.sensors, design)}

${descriptors.join("\n")}

#endif
`;
}

export const makefile = `# make: builds the device for this computer.  make run: plays demo.txt.  make check: compares with expected.txt.
CC ?= cc
CFLAGS ?= -std=c99 -O2 -Wall -Wextra -Wpedantic
SOURCES = $(wildcard src/*.c) tables.c

device: $(SOURCES) hal/hal_host.c $(wildcard src/*.h) pins.h
	$(CC) $(CFLAGS) -Isrc -I. -o $@ $(SOURCES) hal/hal_host.c

run: device
	./device < demo.txt

check: device
	./device < demo.txt > output.txt
	cmp output.txt expected.txt && echo "as simulated"

# What your board's project compiles: the runtime, the tables and hal/hal_board.c once it is filled in.
board-objects: $(SOURCES) hal/hal_board.c
	$(CC) $(CFLAGS) -Isrc -I. -c $(SOURCES) hal/hal_board.c

clean:
	rm -f device output.txt *.o

.PHONY: run check board-objects clean
`;

/** What is otherwise where each part has a controller. */
const partsReadme = (design: Design): string =>
  design.controllers.length < 2
    ? ""
    : `## Its parts

Each part is loaded with the same sources, compiled with its own number: ${design.controllers.map(({ id }, part) => `\`-DOV_PART=${part}\` for ${halfName(design, id)}`).join(", ")}. In \`pins.h\`
each line stands with the part that it is on; of lines of other parts \`hal_board.c\` reads nothing (high) and drives nothing. ${isOnBus(design) ? BUS_WORDS : LINE_WORDS}
Tell \`ov_host_configured\` when a computer has set that part up. Load all before they are joined, and again whenever the design has changed: parts that are
loaded with different things do not understand each other. \`demo.txt\` plays the main part. ${ONE_PLUG}

`;

const LINE_WORDS = `The serial line
between them runs at 250,000 bit a second, eight bits, no parity, one stop bit: put what \`ov_hal_link\` is given on it, and give what comes to
\`ov_link_byte\`.`;

const BUS_WORDS = `The main
part has the two-wire bus, at 400,000 bit a second: it writes what \`ov_hal_link\` is given to the general call (address 0), answers \`ov_hal_calls\` with the
modules whose lines are low, and asks the one that \`ov_hal_ask\` names at the address \`OV_LINK_BUS_ADDRESS\` and its number; what that says, up to its first
zero, goes to \`ov_link_byte\` before the next scan. A module answers there with what \`ov_hal_link\` gave it last, gives what comes over the general call to
\`ov_link_byte\`, and pulls its line in \`ov_hal_call\`, an open drain, until it was read.`;

/** What to do with the archive, in which order. */
export function archiveReadme(design: Design): string {
  const { profile } = derive(design);
  return `# Firmware of ${design.name}

Controller: ${profile?.title ?? "none chosen yet; the pins in pins.h are empty until one is"}.

## In this order

1. \`make check\` on this computer. It builds the runtime with your tables and the host stand-in, plays \`demo.txt\`
   (each control once) and compares what the device reports with \`expected.txt\`, which the design program simulated.
2. Open \`pins.h\`: it lists every line with its pin. Compare it with your wiring.
3. Fill in the seven functions of \`hal/hal_board.c\` with your controller's pin and USB calls. The comments say what each must do.
   The two below them keep live changes until the power is off, as they are; write to memory that lasts if yours has some.
4. In your board's own project compile \`src/*.c\`, \`tables.c\` and \`hal/hal_board.c\`. Call \`ov_init()\` once, then \`ov_scan()\`
   every millisecond with the milliseconds since the last call. Hand the descriptors of \`pins.h\` to the USB side: one interface each.
5. Load it before the case is closed, with the board's loader button in reach, and press every control once.

${partsReadme(design)}No heap, no floating point, no recursion; the tables stay in flash. Debounce ${design.timing.debounce.ms} ms (${design.timing.debounce.school}), settle time ${design.timing.settleUs} µs.

## Files

- \`src/\`: the runtime, the same for every device. \`src/ovrin.h\` is its interface.
- \`tables.c\`: this device. \`pins.h\`: its lines, pins and report descriptors.
- \`hal/hal_host.c\`: the stand-in for a board on this computer. \`hal/hal_board.c\`: yours to fill in.
- \`design.ovrin.json\`: the design itself, to import again.

## Keymap

${keymapLines(design)}
`;
}
