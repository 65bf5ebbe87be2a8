import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { inComment } from "../archiveFiles";

const PLACE = "/* PINS: a generated list comes here. */";
/** A name that C takes: letters, digits and underscores. */
const asName = (pad: string) => pad.replace(/\W/g, (sign) => (sign === "+" ? "_PLUS" : sign === "-" ? "_MINUS" : "_"));

/** The pad's own number in its name, for a table that may need no change: P12 is 12. */
const ownNumber = (pad: string, nth: number) => /\d+$/.exec(pad)?.[0] ?? String(nth + 1);

/** port.h with the pins of a design: their numbers, what is on them, and a table of places to start from. */
export function portHeader(template: string, design: Design, pads: string[]): string {
  const { netById } = derive(design);
  const flagsOf = (pad: string, controllerId: string) =>
    Object.entries(design.pinPlan)
      .filter(([netId, { pin }]) => pin === pad && netById.get(netId)?.controllerId === controllerId)
      .map(([netId]) => netById.get(netId)?.flag ?? netId)
      .join(", ");
  const flagsOn = (pad: string) => {
    const each = design.controllers.map(({ id }) => flagsOf(pad, id));
    return each.length < 2
      ? each.join("")
      : each.map((flags, part) => `part ${part}: ${flags || "nothing"}`).join("; ");
  };
  const names = pads.map((pad, nth) => `#define PIN_${asName(pad)} ${nth + 1} /* ${inComment(flagsOn(pad))} */`);
  const places = pads.map((pad, nth) => Number(ownNumber(pad, nth)));
  const list = `/* The pins of this device by number. */
${names.join("\n")}

/* Behind each number, first 0 which is none, what your controller calls that pin: yours to change. */
#define PORT_PLACES {${[0, ...places].join(", ")}}`;
  return template.replace(PLACE, () => list);
}
