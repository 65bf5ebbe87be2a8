import type { Derived } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { setPadPort } from "../../edits/reportSet";
import { padPortOf, portsOf } from "../../firmware/padPort";
import { scanTableOf } from "../../firmware/scanTable";
import { FREE, LOW, type PadPortSettings } from "../../hid/padPortSettings";
import { portAnswerUs, portDeadlineUs } from "../../timing/portAnswer";
import { type Observation, type Rule, controlSubject, counted, listed } from "../finding";

/** From here on a chip is quick enough that what it does between two interrupts no longer counts. */
const QUICK_MHZ = 40;
const CONSOLE_V = 5;

const us = (value: number) => `${Math.round(value * 10) / 10} µs`;

/** Bits whose switch is gone, or which the firmware does not see. */
function deaf(design: Design, port: PadPortSettings): Observation[] {
  const seen = new Set(scanTableOf(design).switches);
  const lost = port.bits.flatMap((bit, nth) => (bit === FREE || bit === LOW || seen.has(bit) ? [] : [nth]));
  if (lost.length === 0) return [];
  const bits = port.bits.map((bit, nth) => (lost.includes(nth) ? FREE : bit));
  return [
    {
      message: `Of the pad port ${listed(lost.map((nth) => `bit ${nth + 1}`))} ${lost.length === 1 ? "tells" : "tell"} of what is gone or not wired: ${lost.length === 1 ? "it is" : "they are"} never pressed.`,
      subjects: [],
      fixes: [{ title: "Leave them free", apply: (d) => setPadPort(d, { ...port, bits }) }],
    },
  ];
}

function twice({ elements }: Derived, { bits }: PadPortSettings): Observation[] {
  const again = [...new Set(bits.filter((bit, nth) => bit !== FREE && bit !== LOW && bits.indexOf(bit) < nth))];
  if (again.length === 0) return [];
  const labels = again.map((id) => elements.get(id)?.label ?? id);
  return [
    {
      severity: "note",
      message: `${listed(labels)} ${again.length === 1 ? "stands" : "stand"} at more than one bit of the pad port.`,
      subjects: again.flatMap((id) => (elements.has(id) ? [controlSubject(elements.get(id)!.controlId)] : [])),
    },
  ];
}

/** An answer that comes when the console has looked already. */
function late({ profile }: Derived, port: PadPortSettings): Observation[] {
  if (!profile) return [];
  const [answer, deadline] = [portAnswerUs(profile.clockMhz), portDeadlineUs(port.clockUs)];
  if (answer <= deadline) return [];
  return [
    {
      severity: "stop",
      message: `The pad port’s console looks ${us(deadline)} after a clock edge; at ${profile.clockMhz} MHz the bit is there after ${us(answer)}.`,
      subjects: [],
    },
  ];
}

/** Lights are sent with bits so short that an interrupt waits for one, and a bit waits for an interrupt. */
function besideLights(design: Design, { profile }: Derived): Observation[] {
  const { chains } = scanTableOf(design);
  if (chains.length === 0 || !profile || profile.clockMhz >= QUICK_MHZ) return [];
  const names = chains.map(({ circuitId }) => design.circuits.find(({ id }) => id === circuitId)!.name);
  return [
    {
      message: `A latched pad port and ${counted(chains.length, "chain")} of lights (${listed(names)}) hang on one controller of ${profile.clockMhz} MHz: while a bit of a light is sent the port’s clock waits, and the console may read the bit before. Give the lights a controller of their own.`,
      subjects: [],
    },
  ];
}

/** A console drives its lines with its own voltage. */
function levels({ profile }: Derived): Observation[] {
  if (!profile || profile.logicV >= CONSOLE_V) return [];
  return [
    {
      message: `A console drives latch and clock with up to ${CONSOLE_V} V; this controller’s pins stand ${profile.logicV} V. Measure them first, and put a divider into both leads where they carry more.`,
      subjects: [],
    },
  ];
}

function several(design: Design, { elements }: Derived): Observation[] {
  const [, ...others] = portsOf(design);
  if (others.length === 0) return [];
  return [
    {
      severity: "note",
      message: `There are ${others.length + 1} pad ports; one table and one pair of interrupts serve the first.`,
      subjects: others.map((id) => controlSubject(elements.get(id)!.controlId)),
    },
  ];
}

/** A serial pad port that is read wrongly. */
export const padPortRead: Rule = {
  id: "reports/pad-port",
  stage: "reports",
  severity: "warn",
  why: "A console asks for nothing twice: a bit that comes late, or is another one’s, is a press that nobody made.",
  source:
    "common practice (latch, clock, pressed is low); cycles of a bit measured on the simulated 8-bit core, those of an interrupt from memory",
  check(design, derived) {
    const port = padPortOf(design);
    if (!port) return [];
    return [
      ...deaf(design, port),
      ...late(derived, port),
      ...besideLights(design, derived),
      ...levels(derived),
      ...twice(derived, port),
      ...several(design, derived),
    ];
  },
};
