import { listOf, text, z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";

/** Fields of a circuit whose members stand in an order. */
export const listFields = { id: idSchema, name: text(1, 40), members: listOf(z.string(), 256) };

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
