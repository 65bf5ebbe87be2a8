import { LINE_F } from "../../analog/ladderSettling";
import type { LadderBank } from "../../circuits/circuitKind";
import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { type Deck, spice, stepTo } from "./deck";

/** A closed contact, and an open one, in ohm. */
const CLOSED_OHM = 0.1;
export const OPEN_OHM = 1e12;

/** One bank of a ladder with its supply; each contact is a resistor that can be closed. */
function addBank(deck: Deck, bank: LadderBank, volts: number, place: (what: string) => string, pressed: Set<string>) {
  const top = deck.node(place("top"));
  deck.put("V", `${top} 0 ${stepTo(volts)}`);
  let below = "0";
  bank.rungs.forEach((id, nth) => {
    const rung = nth === bank.rungs.length - 1 ? top : deck.node(place(`rung ${nth + 1}`));
    deck.put("R", `${rung} ${below} ${spice(bank.rungOhms[nth])}`);
    deck.comment(`contact of ${id}: ${CLOSED_OHM} when pressed`);
    deck.put("R", `${rung} ${deck.node(place("common line"))} ${pressed.has(id) ? CLOSED_OHM : spice(OPEN_OHM)}`);
    below = rung;
  });
  deck.put("R", `${deck.node(place("common line"))} 0 ${spice(bank.pullDownOhm)}`);
  deck.put("C", `${deck.node(place("common line"))} 0 ${spice(LINE_F)}`);
}

/** Where a bank's common line is in the deck. */
export const commonLine = (circuitId: string, bank: number): string => `${circuitId} bank ${bank + 1}: common line`;

/** Every ladder bank, powered, each apart from the others. */
export function addLadders(deck: Deck, design: Design, pressed: Set<string>): void {
  const { builtCircuits, profile } = derive(design);
  if (!profile) return;
  design.circuits.forEach((circuit, nth) =>
    builtCircuits[nth].ladders.forEach((bank, number) => {
      deck.comment(`${circuit.name}, bank ${number + 1}`);
      addBank(deck, bank, profile.logicV, (what) => `${circuit.id} bank ${number + 1}: ${what}`, pressed);
    }),
  );
}
