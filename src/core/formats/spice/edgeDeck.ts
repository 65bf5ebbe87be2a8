import type { Design } from "../../document/schema";
import { levelsView } from "../../levels/levelsView";
import { LOAD_F, SHIFTER_OHM, dividerFor } from "../../levels/ways";
import { derive } from "../../derived/derive";
import { type Deck, spice, stepTo } from "./deck";

/** Where a bus's data line is in the deck. */
export const busLine = (bus: number): string => `bus ${bus}: data line`;
/** Where a signal arrives by a way across. */
export const arrival = (circuit: string, driver: string, way: "divider" | "open drain"): string =>
  `${circuit} from ${driver}, by ${way}: receiver's input`;

/** A line that rises through a resistor once it is let go; a run over time with `uic` starts it at 0. */
function addRising(deck: Deck, place: string, volts: number, ohm: number, farad: number) {
  const [line, supply] = [deck.node(place), deck.node(`${place}: its supply`)];
  deck.put("V", `${supply} 0 ${stepTo(volts)}`);
  deck.put("R", `${supply} ${line} ${spice(ohm)}`);
  deck.put("C", `${line} 0 ${spice(farad)}`);
}

/** Bus lines with their pull-ups and capacitance, let go at the beginning. */
function addBuses(deck: Deck, design: Design) {
  const volts = derive(design).profile?.logicV ?? 0;
  for (const { bus, wholeOhm, pf, khz } of levelsView(design).buses) {
    deck.comment(`bus ${bus} at ${khz} kHz: pull-ups together and capacitance; it is let go at the beginning`);
    addRising(deck, busLine(bus), volts, wholeOhm, pf * 1e-12);
  }
}

/** Signals to parts on other voltages, by the ways whose edges a resistor makes. */
function addCrossings(deck: Deck, design: Design) {
  for (const { circuit, driver, highV, driverV, receiverV, ways } of levelsView(design).crossings) {
    const divider = dividerFor(driverV, receiverV);
    const [from, by] = [`${circuit} from ${driver}`, (way: "divider" | "open drain") => arrival(circuit, driver, way)];
    if (divider && ways.some(({ id }) => id === "divider")) {
      deck.comment(`${from}: a divider`);
      const [input, pin] = [deck.node(by("divider")), deck.node(`${from}: the driving pin`)];
      deck.put("V", `${pin} 0 ${stepTo(highV)}`);
      deck.put("R", `${pin} ${input} ${spice(divider.topOhm)}`);
      deck.put("R", `${input} 0 ${spice(divider.bottomOhm)}`);
      deck.put("C", `${input} 0 ${spice(LOAD_F)}`);
    }
    deck.comment(`${from}: an open-drain shifter, which lets go at the beginning`);
    addRising(deck, by("open drain"), receiverV, SHIFTER_OHM, LOAD_F);
  }
}

/** What has edges: buses, and signals that cross to another voltage. */
export function addEdges(deck: Deck, design: Design): void {
  addBuses(deck, design);
  addCrossings(deck, design);
}
