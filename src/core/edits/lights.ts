import type { LightChain } from "../circuits/lightChain";
import type { Design } from "../document/schema";
import { type LightOrder, lightsInOrder } from "../wires/lightOrder";
import { changeCircuit } from "./wiring";

const chainNamed = (design: Design, circuitId: string) =>
  design.circuits.find((c): c is LightChain => c.id === circuitId && c.kind === "light-chain");

/** Orders a chain anew. The bridged lights stay bridged. */
export function orderLights(design: Design, circuitId: string, order: LightOrder): Design {
  const chain = chainNamed(design, circuitId);
  if (!chain) return design;
  return changeCircuit<LightChain>(design, circuitId, { members: lightsInOrder(design, chain, order) });
}

/** Takes a dead light out of the data's way, or puts it back. */
export function bridgeLight(design: Design, circuitId: string, id: string, bridged: boolean): Design {
  const chain = chainNamed(design, circuitId);
  if (!chain) return design;
  const others = chain.bridged.filter((one) => one !== id);
  return changeCircuit<LightChain>(design, circuitId, { bridged: bridged ? [...others, id] : others });
}
