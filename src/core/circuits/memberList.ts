import { listOf, z } from "../schema";
import { circuitFields } from "./circuitFields";

/** Most elements of one circuit: a design holds 1000 controls, and some have several. */
export const MOST_MEMBERS = 2000;

/** Element ids of a circuit. */
export const memberIds = listOf(z.string(), MOST_MEMBERS);

/** Fields of a circuit whose members stand in an order. */
export const listFields = { ...circuitFields, members: memberIds };

interface Listed {
  members: string[];
}

/** How circuits with a list of members take and let go of them. */
export const memberList = {
  members: (circuit: Listed): string[] => circuit.members,
  with: <C extends Listed>(circuit: C, ids: string[]): C => ({ ...circuit, members: [...circuit.members, ...ids] }),
  without: <C extends Listed>(circuit: C, elementId: string): C =>
    circuit.members.includes(elementId)
      ? { ...circuit, members: circuit.members.filter((id) => id !== elementId) }
      : circuit,
};
