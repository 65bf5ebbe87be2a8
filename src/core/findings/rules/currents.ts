import type { CircuitPlan } from "../../circuits/circuitKind";
import { rails } from "../../circuits/net";
import { railPads } from "../../circuits/railPads";
import type { LadderCircuit } from "../../circuits/ladder";
import type { Derived } from "../../derived/derive";
import { changeCircuit } from "../../edits/wiring";
import type { Design } from "../../document/schema";
import { type Rule, controlSubject, listed, netSubject } from "../finding";

/** Elements that a pin itself feeds, with the current of each: lamps in direct wiring and between line pairs, small outputs. */
function fedByPins(design: Design, { plans, elements }: Derived) {
  const circuits = design.circuits.flatMap((circuit, nth): [string, CircuitPlan][] => [[circuit.kind, plans[nth]]]);
  return circuits.flatMap(([kind, plan]) => {
    if (kind === "output-registers") return [];
    const pinNets = new Set(plan.nets.filter(({ need }) => need?.output).map(({ id }) => id));
    const lamps = plan.lamps.map(({ elementId }) => elementId);
    const outputs = plan.nets
      .filter(({ id, role }) => role === "output" && pinNets.has(id))
      .flatMap(({ joints }) => joints.map(({ elementId }) => elementId))
      .filter((id) => id !== "");
    return [...lamps, ...outputs].flatMap((id) => {
      const element = elements.get(id);
      return element?.currentMa === undefined ? [] : [{ element, currentMa: element.currentMa, kind }];
    });
  });
}

export const lampCurrent: Rule = {
  id: "pins/lamp-current",
  stage: "pins",
  severity: "stop",
  why: "A pin that gives more than its limit gets hot, droops, and may fail for good.",
  source: "the controller profile's current for one pin",
  check(design, derived) {
    const { profile } = derived;
    if (!profile) return [];
    return fedByPins(design, derived)
      .filter(({ currentMa }) => currentMa > profile.pinCurrentMa)
      .map(({ element, currentMa }) => ({
        message: `${element.label} takes ${currentMa} mA; a pin of the ${profile.title} gives ${profile.pinCurrentMa} mA at most.`,
        subjects: [controlSubject(element.controlId)],
      }));
  },
};

/** Lamps between line pairs shine one at a time; all others can be on together. */
export const allPinsCurrent: Rule = {
  id: "pins/all-pins-current",
  stage: "pins",
  severity: "stop",
  why: "All pins draw their current through the chip's own supply leads, and those have a limit of their own.",
  source: "the controller profile's current for all pins together",
  check(design, derived) {
    const { profile } = derived;
    if (!profile) return [];
    const fed = fedByPins(design, derived).filter(({ kind }) => kind !== "charlieplex");
    const sum = fed.reduce((total, { currentMa }) => total + currentMa, 0);
    if (sum <= profile.allPinsCurrentMa) return [];
    return [
      {
        message: `${fed.length} lamps and outputs on pins take ${sum} mA together; all pins of the ${profile.title} give ${profile.allPinsCurrentMa} mA. Put lamps on registers, or take less current.`,
        subjects: fed.map(({ element }) => controlSubject(element.controlId)),
      },
    ];
  },
};

/** What all outputs of one 74HC595 may sink together: its ground lead carries 70 mA (data sheet, absolute maximum). */
const REGISTER_MA = 70;
/** What one output gives at full rating (data sheet: 35 mA absolute maximum). */
const OUTPUT_MA = 35;
const OUTPUTS = 8;

export const registerCurrent: Rule = {
  id: "wiring/register-current",
  stage: "wiring",
  severity: "stop",
  why: "An output register whose lamps take more than its ground lead carries gets hot and fails.",
  source: "74HC595 data sheet: 70 mA through the ground lead, 35 mA an output",
  check(design, { plans, elements }) {
    return design.circuits.flatMap((circuit, nth) => {
      if (circuit.kind !== "output-registers") return [];
      const lamps = plans[nth].lamps.flatMap(({ elementId }) => elements.get(elementId) ?? []);
      const registers = Array.from({ length: Math.ceil(lamps.length / OUTPUTS) }, (_, at) =>
        lamps.slice(at * OUTPUTS, (at + 1) * OUTPUTS),
      );
      return registers.flatMap((on, at) => {
        const sum = on.reduce((total, { currentMa = 0 }) => total + currentMa, 0);
        const strongest = on.find(({ currentMa = 0 }) => currentMa > OUTPUT_MA);
        if (sum <= REGISTER_MA && !strongest) return [];
        const each = Math.floor((10 * REGISTER_MA) / on.length) / 10;
        return [
          {
            message: strongest
              ? `${strongest.label} takes ${strongest.currentMa} mA; an output of U${at + 1} in ${circuit.name} gives ${OUTPUT_MA} mA.`
              : `U${at + 1} of ${circuit.name} carries ${sum} mA with its ${on.length} lamps on; it may carry ${REGISTER_MA} mA, so ${each} mA a lamp.`,
            subjects: on.map(({ controlId }) => controlSubject(controlId)),
          },
        ];
      });
    });
  },
};

/** A bank pin powers the whole row of resistors. */
export const ladderCurrent: Rule = {
  id: "wiring/ladder-current",
  stage: "wiring",
  severity: "stop",
  why: "The pin that powers a ladder's bank feeds all its resistors; too small ones overload it and bend the voltages.",
  source: "Ohm's law; the controller profile's current for one pin",
  check(design, { plans, profile }) {
    if (!profile) return [];
    return design.circuits.flatMap((circuit, nth) => {
      const banks = plans[nth].ladders.filter(({ top }) => plans[nth].nets.find(({ id }) => id === top)?.need);
      if (circuit.kind !== "ladder" || banks.length === 0) return [];
      const fewest = Math.min(...banks.map(({ taps }) => taps.length));
      const currentMa = (1000 * profile.logicV) / (fewest * circuit.resistorOhm);
      if (currentMa <= profile.pinCurrentMa) return [];
      const enough = Math.ceil((1000 * profile.logicV) / (profile.pinCurrentMa / 2) / fewest / 100) * 100;
      return [
        {
          message: `A bank of ${circuit.name} takes ${currentMa.toFixed(1)} mA from its pin; a pin of the ${profile.title} gives ${profile.pinCurrentMa} mA.`,
          subjects: banks.map(({ top }) => netSubject(top)),
          fixes: [
            {
              title: `Take resistors of ${enough} Ω`,
              apply: (d) => changeCircuit<LadderCircuit>(d, circuit.id, { resistorOhm: enough }),
            },
          ],
        },
      ];
    });
  },
};

/** A short insulated copper wire in air stays cool up to about so much a square millimetre (common practice). */
const AMPERE_A_MM2 = 8;
const SIZES_MM2 = [0.25, 0.5, 0.75, 1, 1.5, 2.5, 4];

export const supplyHeat: Rule = {
  id: "wiring/supply-heat",
  stage: "wiring",
  severity: "stop",
  why: "A supply wire that carries too much for its thickness gets hot, and its insulation melts.",
  source: "8 A a square millimetre for short wires in air (common practice)",
  check(design, { nets, elements }) {
    return nets
      .filter(({ role }) => role === "supply")
      .flatMap(({ id, flag, joints }) => {
        const ampere = joints.reduce((sum, joint) => sum + (elements.get(joint.elementId)?.currentMa ?? 0), 0) / 1000;
        const { supplyMm2 } = design.wires;
        if (ampere <= AMPERE_A_MM2 * supplyMm2) return [];
        const enough = SIZES_MM2.find((mm2) => ampere <= AMPERE_A_MM2 * mm2);
        return [
          {
            message: `The wire of ${flag} carries up to ${ampere.toFixed(1)} A; one of ${supplyMm2} mm² carries ${(AMPERE_A_MM2 * supplyMm2).toFixed(1)} A.`,
            subjects: [netSubject(id)],
            fixes: enough
              ? [{ title: `Take ${enough} mm²`, apply: (d) => ({ ...d, wires: { ...d.wires, supplyMm2: enough } }) }]
              : [],
          },
        ];
      });
  },
};

/** A rail that parts hang on and no pad of the controller gives. */
export const railWithoutSource: Rule = {
  id: "wiring/rail-without-source",
  stage: "wiring",
  severity: "stop",
  why: "Parts for 3.3 V are destroyed by 5 V, and parts for 5 V do not start at 3.3 V; the rail needs a source of its own.",
  source: "the voltages of the controller profile's supply pads",
  check(_design, { nets, profile, elements }) {
    if (!profile) return [];
    return nets
      .filter(({ id, role }) => role === "supply" && railPads(profile, id).length === 0)
      .map(({ id, flag, joints }) => {
        const labels = [...new Set(joints.flatMap(({ elementId }) => elements.get(elementId)?.label ?? []))];
        const whose = labels.length > 0 ? listed(labels.slice(0, 4)) : "Parts";
        const volts = rails.find((rail) => rail.id === id)?.volts ?? profile.logicV;
        return {
          message: `${whose} ${labels.length === 1 ? "needs" : "need"} ${volts} V on ${flag}, and no pad of the ${profile.title} gives it: add a regulator or an outside supply, or take another class.`,
          subjects: [netSubject(id)],
        };
      });
  },
};
