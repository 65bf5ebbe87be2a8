import type { MatrixCircuit } from "../../circuits/matrix";
import type { ControllerProfile } from "../../catalogue/controllers/controllerProfile";
import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { OPEN_OHM } from "./ladderDeck";
import { type Deck, spice } from "./deck";

/** On resistance of a driving pin (from memory: 20 to 50 ohm), and leakage of a line. */
const DRIVER_OHM = 50;
const LEAK_OHM = 1e8;
const CLOSED_OHM = 0.1;

/** Diode 1N4148 with the parameters that its published models commonly carry (from memory). */
export const DIODE_MODEL = ".model D1N4148 D(IS=2.52n RS=0.568 N=1.752 CJO=4p M=0.4 TT=20n)";

export const lineOf = (circuitId: string, netId: string): string => `${circuitId}: ${netId}`;

const pullUpOhm = ({ pullUpMinOhm, pullUpMaxOhm }: ControllerProfile) => (pullUpMinOhm + pullUpMaxOhm) / 2;

/** A matrix while its first line is driven low and the others are read through pull-ups. */
function addMatrix(
  deck: Deck,
  design: Design,
  circuit: MatrixCircuit,
  pressed: Set<string>,
  profile: ControllerProfile,
) {
  const { groups, conductors } = derive(design).builtCircuits[design.circuits.indexOf(circuit)];

  const driven = groups[0]?.strobeNet ?? null;
  const sensed = new Set(groups.flatMap(({ cells }) => cells.map(({ senseNet }) => senseNet)));
  const node = (netId: string) => deck.node(lineOf(circuit.id, netId));
  const supply = deck.node(`${circuit.id}: pull-ups`);
  deck.put("V", `${supply} 0 ${spice(profile.logicV)}`);
  for (const netId of new Set([...groups.flatMap(({ strobeNet }) => strobeNet ?? []), ...sensed])) {
    deck.put("R", `${node(netId)} 0 ${spice(LEAK_OHM)}`);
    if (netId === driven) deck.put("R", `${node(netId)} 0 ${DRIVER_OHM}`);
    else if (sensed.has(netId)) deck.put("R", `${supply} ${node(netId)} ${spice(pullUpOhm(profile))}`);
  }
  for (const { contact, from, to, diode } of conductors) {
    deck.comment(`contact of ${contact}: ${CLOSED_OHM} when pressed`);
    const middle = deck.node(`${circuit.id}: ${contact}`);
    deck.put("R", `${node(from)} ${middle} ${pressed.has(contact) ? CLOSED_OHM : spice(OPEN_OHM)}`);
    deck.put(diode ? "D" : "R", `${middle} ${node(to)} ${diode ? "D1N4148" : "0.01"}`);
  }
}

export function addMatrices(deck: Deck, design: Design, pressed: Set<string>): void {
  const { profile } = derive(design);
  const matrices = design.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
  if (!profile || matrices.length === 0) return;
  deck.lines.push(DIODE_MODEL);
  for (const circuit of matrices) {
    deck.comment(`${circuit.name}: its first line driven, the others read`);
    addMatrix(deck, design, circuit, pressed, profile);
  }
}
