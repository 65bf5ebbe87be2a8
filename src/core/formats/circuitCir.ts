import { good } from "../document/problem";
import type { Design } from "../document/schema";
import { measuring } from "../power/battery";
import type { State } from "../power/consumers";
import { type Artifact, fileStem, utf8 } from "./artifact";
import { Deck, spice } from "./spice/deck";
import { addEdges } from "./spice/edgeDeck";
import { addLadders } from "./spice/ladderDeck";
import { addMatrices } from "./spice/matrixDeck";
import { addSupply } from "./spice/supplyDeck";

function addDivider(deck: Deck, design: Design) {
  const divider = design.supply.measured && measuring(design);
  if (!divider) return;
  deck.comment("the divider that measures the battery, at its fullest");
  const pack = deck.node("divider: the pack");
  deck.put("V", `${pack} 0 ${spice(divider.table[0].volts)}`);
  deck.put("R", `${pack} ${deck.node("divider: the pin")} ${spice(divider.topOhm)}`);
  deck.put("R", `${deck.node("divider: the pin")} 0 ${spice(divider.bottomOhm)}`);
}

/** A design's circuits for a simulator of the SPICE kind: supply at a moment, ladders, matrices, divider. */
export function deckOf(design: Design, state: State = "worst", pressed: Set<string> = new Set()): Deck {
  const deck = new Deck();
  addSupply(deck, design, state);
  addLadders(deck, design, pressed);
  addMatrices(deck, design, pressed);
  addDivider(deck, design);
  addEdges(deck, design);
  return deck;
}

const text = (design: Design, { lines }: Deck) =>
  [
    `* ${design.name.replace(/[^\x20-\x7e]+/g, " ")}: supply with everything at its most, ladders, matrices, edges`,
    "* A contact is pressed by giving its resistor 0.1 instead of 1e12.",
    "* Edges and settling: sources of ladders, buses and levels step up at the beginning of: tran 1n 20u",
    ...lines,
    ".control",
    "op",
    "print all",
    ".endc",
    ".end",
    "",
  ].join("\n");

export const circuitCir: Artifact = {
  id: "circuit-cir",
  title: "Circuits for a simulator",
  purpose: "Supply with every wire, ladders, matrices and dividers as a SPICE netlist, to check each number elsewhere.",
  make: async (design) =>
    good({
      fileName: `${fileStem(design)}.cir`,
      mediaType: "text/plain",
      bytes: utf8(text(design, deckOf(design))),
    }),
};
