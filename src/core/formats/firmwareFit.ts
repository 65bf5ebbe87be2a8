import { isWrittenByRows } from "../document/displayPages";
import { devicesOf, loadedAs } from "../derived/halves";
import type { Design } from "../document/schema";
import { overLimits } from "../firmware/capacity";
import { scanTableOf } from "../firmware/scanTable";
import { flashImage } from "../image/flashImage";
import { IMAGE_ARENA_BYTES } from "../image/usb8Memory.generated";
import { imageFor } from "../image/usb8Images";
import { firmwareTargets } from "../targets";

/** What one form of firmware makes of a design, told before it is asked for. */
export interface FirmwareFit {
  id: string;
  takes: string[];
  /** Why it cannot be made, as the end of "The design …"; null when it can. */
  refusal: string | null;
}

const IMAGE_TAKES = [
  "Every circuit of contacts, knobs, sticks and pots, lamps, addressable lights, segment displays and displays of dots, USB, music, live changes; nothing to compile.",
  "Knobs are read once a millisecond.",
];

const words = (problems: { message: string }[]) =>
  problems.length === 0 ? null : problems.map(({ message }) => message).join("; ");

function imageRefusal(design: Design): string | null {
  // What the code is does not matter to whether a design fits beside it.
  const codeOf = (loaded: Design) => ({
    image: imageFor(loaded, scanTableOf(loaded)),
    bytes: new Uint8Array(),
    arenaBytes: IMAGE_ARENA_BYTES,
  });
  for (let nth = 0; nth < Math.max(1, design.controllers.length); nth++) {
    const [loaded, part] = loadedAs(design, nth);
    const made = flashImage(loaded, codeOf(loaded), part);
    if (!made.ok) return words(made.problems);
  }
  return null;
}

/** Every form of firmware with what it takes, and whether it takes this design. */
export function firmwareFits(design: Design): FirmwareFit[] {
  const devices = devicesOf(design);
  const over = devices.flatMap((one) => overLimits(scanTableOf(one), one).map((what) => ({ message: `has ${what}` })));
  return [
    { id: "flash-image", takes: IMAGE_TAKES, refusal: imageRefusal(design) },
    ...firmwareTargets.map(({ id, takes, problems }) => ({
      id,
      takes,
      refusal: words(over.length > 0 ? over : devices.flatMap((one) => problems(one, scanTableOf(one)))),
    })),
  ];
}

/** Parts of a design that no firmware of today drives, by name: displays that are not written by rows of dots. */
export const undrivenParts = ({ controls }: Design): string[] =>
  controls.flatMap((control) => (control.kind === "display" && !isWrittenByRows(control) ? [control.label] : []));
