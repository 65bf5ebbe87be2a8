import { derive } from "../../derived/derive";
import { halfName } from "../../derived/halfName";
import { isOnBus } from "../../document/partLinks";
import type { Design } from "../../document/schema";
import { keymapLines } from "../keymapWords";
import { ONE_PLUG } from "../onePlug";

const usb8Steps = `1. \`make\` builds \`device.hex\` with avr-gcc and its C library. There is nothing to write.
2. Before the case is closed, with reset and ground in reach: bridge them twice within a second. The loader then shows itself
   as a serial port for 8 seconds (from memory).
3. Write \`device.hex\` through it with any program that speaks with such a loader. It is read back.
4. Press every control once.`;

const portSteps = `1. \`make\` compiles everything for this computer as it is, so that you see it is whole.
2. Open \`port.h\`: a dozen calls of your controller are yours to fill in, and the list of pins says what is on each.
   Matrices, registers, multiplexers, expanders, ladders and lamps are driven through them; there is nothing else to write.
3. What is left to join is USB: one interface for each descriptor in \`pins.h\`; \`port.h\` says what to call when.
4. Compile with your controller's compiler: \`make CC=… CFLAGS=… LDFLAGS=…\`, or add the folders to your own project.
5. Load it before the case is closed, with the loader's button or reset in reach, and press every control once.

Knobs are read once a millisecond: with 24 steps of 4 states sure up to 10 turns a second.`;

/** Of a device of parts: which is built, and how it is loaded. */
const partsAdvice = (design: Design, isUsb8: boolean): string =>
  design.controllers.length < 2
    ? ""
    : `
## One program for each part

${design.controllers.map(({ id }, part) => `- \`make PART=${part}\`: ${halfName(design, id)}.`).join("\n")}

Each is loaded by itself, with the plug in it and apart from the others; then they are joined.${isOnBus(design) && !isUsb8 ? " The bus and the lines on which modules call are yours: `port_link`, `port_calls`, `port_ask` and `port_call` in `port.h` say what goes where." : ""} Load all parts again whenever the
design has changed: parts that are loaded with different things do not understand each other, and each then speaks for itself alone. ${ONE_PLUG}
`;

/** What to do with the project, in which order, and how to get back. */
export function projectReadme(design: Design, isUsb8: boolean): string {
  const title = derive(design).profile!.title;
  return `# ${design.name}: a project to compile

For the ${title}. ${isUsb8 ? "Registers and all, with USB." : "Pins, chains and converter are done over a dozen calls."}

## In this order

${isUsb8 ? usb8Steps : portSteps}
${partsAdvice(design, isUsb8)}
## When it goes wrong

The loader is never overwritten: call it again and load once more. A device whose tables or board block are torn stays
quiet${isUsb8 ? " and off the bus" : ""}. None of this has run on a board; registers and loader are from memory${isUsb8 ? " and from a simulated chip" : ""}.

## Files

- \`src/\`: the runtime. \`lines/\`: strobes, sense lines, lamps, added parts, as \`board_block.c\` says.
- ${isUsb8 ? "`chip/`: the chip's registers and USB." : "`port.h`: yours to fill in. `port/`: what joins it to the lines, and what live changes keep (in RAM, until you give it memory that lasts)."}
- \`tables.c\`: numbering and keymap. \`pins.h\`: every line with its pin, and the report descriptors.
- \`design.ovrin.json\`: the design itself, to import again.

## Keymap

${keymapLines(design)}
`;
}
