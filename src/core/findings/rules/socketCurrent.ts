import type { ControllerProfile } from "../../catalogue/controllers/controllerProfile";
import { present } from "../../circuits/circuitBuilder";
import type { PlacedElement } from "../../circuits/net";
import type { MusicOut } from "../../circuits/musicOut";
import { changeCircuit } from "../../edits/wiring";
import { LOOP_MA, RECEIVER_OHM, loopMa, standardLoop } from "../../electrics/musicLoop";
import { type Observation, type Rule, controlSubject } from "../finding";

/** One circuit of sockets, all of which one transmitter drives. */
function told(circuit: MusicOut, profile: ControllerProfile, members: PlacedElement[]): Observation[] {
  if (members.length === 0) return [];
  const ma = loopMa(profile.logicV, circuit);
  const subjects = members.map(({ controlId }) => controlSubject(controlId));
  if (ma < LOOP_MA.least || ma > LOOP_MA.most) {
    const way = `${circuit.sourceOhm} Ω, ${RECEIVER_OHM} Ω and ${circuit.dataOhm} Ω`;
    const verdict = ma < LOOP_MA.least ? "too little to be heard surely" : "more than it is meant for";
    const message = `Through ${way} a music socket carries ${ma.toFixed(1)} mA at ${profile.logicV} V: ${verdict}; 5 mA is meant.`;
    const fitted = standardLoop(profile.logicV);
    const title = `${fitted.sourceOhm} Ω to pin 4, ${fitted.dataOhm} Ω to pin 5`;
    return [{ message, subjects, fixes: [{ title, apply: (d) => changeCircuit<MusicOut>(d, circuit.id, fitted) }] }];
  }
  const all = ma * members.length;
  if (all <= profile.pinCurrentMa) return [];
  const sockets = members.length > 1 ? `${members.length} music sockets take` : "A music socket takes";
  const message = `${sockets} ${all.toFixed(1)} mA through one pin, which may carry ${profile.pinCurrentMa} mA. Put a gate of a 74HC logic part between pin and resistors.`;
  return [{ severity: "note", message, subjects }];
}

export const socketCurrent: Rule = {
  id: "circuits/socket-current",
  stage: "circuits",
  severity: "warn",
  why: "An instrument hears a current that is switched on and off: too little lights its coupler not surely, too much wears out pin and coupler.",
  source:
    "MIDI 1.0, hardware: 5 mA; 220 Ω and 220 Ω at 5 V, 33 Ω and 10 Ω at 3.3 V (from memory); the coupler's 1.5 V from memory",
  eachController: true,
  check: (design, { profile, elements }) =>
    profile
      ? design.circuits
          .filter((one) => one.kind === "music-out")
          .flatMap((circuit) => told(circuit, profile, present(circuit.members, elements)))
      : [],
};
