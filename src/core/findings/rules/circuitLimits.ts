import { EXPANDER_ADDRESSES, type ExpanderCircuit, addressOf } from "../../circuits/expander";
import type { LadderCircuit } from "../../circuits/ladder";
import { ladderMargin } from "../../circuits/ladderVoltage";
import type { LightChain } from "../../circuits/lightChain";
import { changeCircuit } from "../../edits/wiring";
import { supplyDrops } from "../../wires/supplyDrop";
import { type Rule, controlSubject, listed } from "../finding";

/** Noise of a reading: two steps of a 10-bit converter (from memory). */
const LEAST_MARGIN = 2 / 1024;
/** 5 V lights want a data level near 3.5 V (common practice). */
const LIGHT_DATA_V = 3.5;
const SUPPLY_V = 5;
/** Voltage that may be lost on the way to the farthest part (common practice). */
const MOST_LOST = 0.05;

/** Keys of a ladder must keep apart when every resistor is as far off as it may be. */
export const ladderWindows: Rule = {
  id: "wiring/ladder-windows",
  stage: "wiring",
  severity: "stop",
  why: "Neighbouring keys of a ladder are told apart by their voltage; tolerances and the pull-down narrow the windows.",
  source: "Ohm's law, worst case of all resistors; shown against a circuit simulation in the reference tests",
  check(design, { plans }) {
    return design.circuits.flatMap((circuit, nth) => {
      if (circuit.kind !== "ladder") return [];
      const margin = Math.min(Infinity, ...plans[nth].ladders.map((bank) => ladderMargin(bank, circuit.tolerance)));
      if (margin >= LEAST_MARGIN) return [];
      const fewer = Math.max(2, Math.floor(circuit.perBank / 2));
      return [
        {
          message: `${circuit.name}: with resistors of ${100 * circuit.tolerance} % the windows of ${circuit.perBank} keys keep ${(100 * margin).toFixed(2)} % of the supply as margin; a reading needs ${(100 * LEAST_MARGIN).toFixed(2)} %.`,
          subjects: [],
          fixes: [
            {
              title: "Take resistors of 0.1 %",
              apply: (d) => changeCircuit<LadderCircuit>(d, circuit.id, { tolerance: 0.001 }),
            },
            {
              title: `Take ${fewer} keys a bank`,
              apply: (d) => changeCircuit<LadderCircuit>(d, circuit.id, { perBank: fewer }),
            },
          ],
        },
      ];
    });
  },
};

const addressesIn = (circuit: ExpanderCircuit, count: number) =>
  Array.from({ length: count }, (_, nth) => addressOf(circuit, nth));

/** Two expanders of one address answer at once. */
export const sameAddress: Rule = {
  id: "wiring/same-address",
  stage: "wiring",
  severity: "stop",
  why: "Parts with the same address on a bus answer at the same time, and neither is understood.",
  source: "I²C-bus specification; three address terminals, eight addresses (typical of the class)",
  check(design, { plans }) {
    const perBus = new Map<number, { circuit: ExpanderCircuit; addresses: number[] }[]>();
    design.circuits.forEach((circuit, nth) => {
      if (circuit.kind !== "expander") return;
      const addresses = addressesIn(circuit, plans[nth].chips.length);
      perBus.set(circuit.bus, [...(perBus.get(circuit.bus) ?? []), { circuit, addresses }]);
    });
    return [...perBus.values()].flatMap((on) => {
      const all = on.flatMap(({ addresses }) => addresses);
      const twice = [...new Set(all.filter((address, nth) => all.indexOf(address) !== nth))];
      if (twice.length === 0) return [];
      const free = Array.from({ length: EXPANDER_ADDRESSES }, (_, address) => address);
      const room = all.length <= EXPANDER_ADDRESSES;
      return [
        {
          message: `Address ${listed(twice.map(String))} is taken by more than one expander on the same bus.`,
          subjects: [],
          fixes: room
            ? [
                {
                  title: "Give each an address of its own",
                  apply: (d) =>
                    on.reduce<{ d: typeof d; from: number }>(
                      ({ d: next, from }, { circuit, addresses }) => ({
                        d: changeCircuit<ExpanderCircuit>(next, circuit.id, {
                          addresses: free.slice(from, from + addresses.length),
                        }),
                        from: from + addresses.length,
                      }),
                      { d, from: 0 },
                    ).d,
                },
              ]
            : [],
        },
      ];
    });
  },
};

/** Lights fed from 5 V may not take 3.3 V logic for high. */
export const lightLevel: Rule = {
  id: "wiring/light-level",
  stage: "wiring",
  severity: "warn",
  why: "Addressable lights on 5 V take their data for high from about 3.5 V on.",
  source: "common practice",
  check(design, { profile }) {
    if (!profile || profile.logicV >= LIGHT_DATA_V) return [];
    return design.circuits.flatMap((circuit) => {
      if (circuit.kind !== "light-chain" || circuit.shifted) return [];
      return [
        {
          message: `${circuit.name}: data at ${profile.logicV} V is below the ${LIGHT_DATA_V} V that lights on ${SUPPLY_V} V want.`,
          subjects: [],
          fixes: [
            {
              title: "Add a level shifter",
              apply: (d) => changeCircuit<LightChain>(d, circuit.id, { shifted: true }),
            },
          ],
        },
      ];
    });
  },
};

/** Thin supply wires lose voltage on the way. */
export const supplyLoss: Rule = {
  id: "wiring/supply-loss",
  stage: "wiring",
  severity: "warn",
  why: "Lights at the far end turn reddish and parts reset when the supply wires are too thin for their current.",
  source: "Ohm's law with copper of IEC 60028, everything at its most; 5 % as common practice",
  check(design) {
    const [drop] = supplyDrops(design).sort((a, b) => b.worstV - a.worstV);
    if (!drop || drop.worstV <= MOST_LOST * SUPPLY_V) return [];
    const wider = [0.25, 0.5, 0.75, 1, 1.5, 2.5, 4].find(
      (mm2) => (drop.worstV * design.wires.supplyMm2) / mm2 <= MOST_LOST * SUPPLY_V,
    );
    const worst = drop.worstControlId;
    return [
      {
        message: `At ${(drop.currentMa / 1000).toFixed(1)} A the ${drop.rail} wires of ${design.wires.supplyMm2} mm² lose ${drop.worstV.toFixed(2)} V on the way to ${drop.worstAt} and back.`,
        subjects: worst ? [controlSubject(worst)] : [],
        fixes: wider
          ? [{ title: `Take ${wider} mm²`, apply: (d) => ({ ...d, wires: { ...d.wires, supplyMm2: wider } }) }]
          : [],
      },
    ];
  },
};
