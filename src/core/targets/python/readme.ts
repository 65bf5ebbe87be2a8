import { hasInterpreterPins } from "../../chips/interpreterPins";
import { LINK } from "../../contract/link";
import { halfName } from "../../derived/halfName";
import { partFolder } from "./partFolder";
import { derive } from "../../derived/derive";
import { isOnBus } from "../../document/partLinks";
import type { Design } from "../../document/schema";
import { keymapLines } from "../keymapWords";
import { ONE_PLUG } from "../onePlug";
import { isBootKeyboard } from "./interfaces";

const namesAdvice = (profileId: string) =>
  hasInterpreterPins(profileId)
    ? "The names are those usual for the class (from memory)."
    : "They are the names on the design's pads, as those of this class are not known.";

const bootAdvice = (design: Design) =>
  isBootKeyboard(design)
    ? "The keyboard is the one interface and is declared for the computer's start-up screen too (from memory; try it there)."
    : "Several reports share one interface here, each with a number of its own. A computer's start-up screen does not read such a keyboard.";

/** Where there are addressable lights, one function is left to the builder. */
const lightsAdvice = (design: Design) =>
  design.circuits.some(({ kind }) => kind === "light-chain")
    ? "   In `lights_port.py` one function is yours: the call of your interpreter's module for addressable lights.\n"
    : "";

/** Where there is a radio, its calls are left to the builder. */
const radioAdvice = (design: Design) =>
  design.controls.some(({ kind }) => kind === "radio")
    ? "   In `radio_port.py` two functions are yours: hand your radio a packet, and tell what came back. Local rules say which frequencies and powers may be used.\n"
    : "";

const APART_ON_LINE = "with the plug in that part and the line between them off; then join them.";
const APART_ON_BUS =
  "with the plug in that part's own socket and the modules off the base; then put them on while no plug is in. All parts run Python, or none: a base in\nPython tells each module by itself, a compiled one tells all at once, which an interpreter may not hear.";

/** Of a device of parts: whose folder is whose. */
const partsAdvice = (design: Design): string =>
  design.controllers.length < 2
    ? ""
    : `The folders are those of the parts: ${design.controllers.map(({ id }, part) => `\`${partFolder(design, part)}\` of ${halfName(design, id)}`).join(", ")}.
Go through these steps with each of them by itself, ${isOnBus(design) ? APART_ON_BUS : APART_ON_LINE} Load all
parts again whenever the design has changed: parts that are loaded with different things do not understand each other. ${ONE_PLUG}

`;

/** What telling other parts costs a board's time. */
function tellingAdvice(design: Design): string {
  if (design.controllers.length < 2) return "";
  if (isOnBus(design))
    return "A base tells and asks one module after the other, and waits for each until that one looks at the bus, between two scans or at the beginning of one. ";
  return `A board waits while a frame leaves to the other part, a millisecond for ${LINK.BYTES_A_MS} bytes. `;
}

/** What to do with the archive, in which order, and how to get back. */
export function pythonReadme(design: Design): string {
  const profile = derive(design).profile!;
  return `# ${design.name} in Python

For a ${profile.title} that runs Python on board. Nothing to compile: the files are copied onto the drive that the board
shows. Never run on a board: what is said of boards here is from memory.

## In this order

${partsAdvice(design)}1. On this computer: \`python3 play.py demo.txt expected.txt\`. It plays each control once and says "as simulated".
2. Put the interpreter on the board, once: hold the loader's button while you plug the board in, and copy the interpreter's file
   for your board onto the drive that appears. Do all this before the case is closed, with the button in reach.
3. The board shows a drive. On its console \`import board; dir(board)\` lists the pins' names; compare them with \`plan.py\`.
   ${namesAdvice(profile.id)} Names of the board come first, then the chip's own (\`microcontroller.pin\`).
4. Copy \`hardware.py\`, \`lights_port.py\`, \`radio_port.py\`, \`plan.py\`, \`tables.py\` and the folder \`device\` onto the drive, then \`code.py\`, last \`boot.py\`.
${lightsAdvice(design)}${radioAdvice(design)}5. Unplug it and plug it in again: \`boot.py\` runs only when the board gets power. Press every control once.

## When it goes wrong

- The drive is still there: rename \`code.py\`, and the device stays quiet; rename \`boot.py\` and plug in again, and the board is what
  it was. What went wrong stands in \`boot_out.txt\` and on the console.
- The drive is gone: hold the loader's button while you plug in, and go on from step 2.
- "no attribute" names a pin that the board knows by another name: change it in \`plan.py\`.

## What to know

- ${bootAdvice(design)}
- Times count milliseconds: a scan that takes several of them only makes a press come that much later.
- An interpreter cannot read a fast knob surely. The design program says how long a scan takes, as a range.
- Live changes are kept in the board's small memory where it has 1,024 bytes of it, else in two files on the drive, where the
  computer has not taken it for itself; else until the power is off.
- ${tellingAdvice(design)}Debounce ${design.timing.debounce.ms} ms (${design.timing.debounce.school}), settle time ${design.timing.settleUs} µs.

## Files

- \`boot.py\`, \`code.py\`: what the interpreter starts. \`hardware.py\`: the only file that uses the board's built-in modules,
  but for \`lights_port.py\`: your interpreter's own way to send addressable lights their bytes, and \`radio_port.py\`: the same for a radio.
- \`plan.py\`: pins, added parts, interfaces. \`tables.py\`: keymap and numbering. \`device/\`: the runtime, the same for every device.
- \`play.py\`, \`demo.txt\`, \`expected.txt\`: the check on this computer. \`design.ovrin.json\`: the design, to import again.

## Keymap

${keymapLines(design)}
`;
}
