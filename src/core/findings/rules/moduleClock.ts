import { LINK_BUS } from "../../contract/link";
import { MODULES_BUS } from "../../derived/moduleEnds";
import { busKhz } from "../../document/busClock";
import { isOnBus } from "../../document/partLinks";
import { setBus } from "../../edits/buses";
import type { Rule } from "../finding";

const MODULES_KHZ = 400;

/** The bus of modules is planned for another clock than they are told and asked at. */
export const moduleClock: Rule = {
  id: "circuits/module-clock",
  stage: "circuits",
  severity: "warn",
  why: "A frame has a millisecond, so modules are told and asked in the bus's fast mode; pull-ups that were weighed for a slower clock lift its wires too late, and a faster one is none that every module follows.",
  source: `${LINK_BUS.BITS_A_SECOND.toLocaleString("en")} a second (I²C-bus specification, fast mode)`,
  check(design) {
    const khz = busKhz(design, MODULES_BUS);
    if (!isOnBus(design) || khz === MODULES_KHZ) return [];
    return [
      {
        message: `Modules are told and asked at ${MODULES_KHZ} kHz, and their bus is set to ${khz} kHz: what is worked out for it is not what it runs at.`,
        subjects: [],
        fixes: [
          {
            title: `Set the bus to ${MODULES_KHZ} kHz`,
            apply: (d) => setBus(d, MODULES_BUS, { khz: MODULES_KHZ }),
          },
        ],
      },
    ];
  },
};
