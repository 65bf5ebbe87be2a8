import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { wiresOf } from "./wires";

export interface ConnectorPin {
  number: number;
  contact: string;
  net: string;
  /** Where the other end of its wire goes. */
  to: string;
}

/** The plug of one loose part, or the cable between two boards. */
export interface Connector {
  name: string;
  pins: ConnectorPin[];
}

/** One connector for each part on a loose board: its contacts in their order, with where each wire goes. */
export function partConnectors(design: Design): Connector[] {
  const { controls, elements, nets } = derive(design);
  const loose = new Set(design.boards.filter(({ kind }) => kind === "loose").map(({ id }) => id));
  const wires = wiresOf(design);
  return [...controls.values()]
    .filter(({ placement }) => loose.has(placement.boardId))
    .flatMap((control) => {
      const contacts = [...elements.values()]
        .filter(({ controlId }) => controlId === control.id)
        .flatMap((element) => element.contacts);
      if (contacts.length === 0) return [];
      const pins = contacts.map((contact, nth) => {
        const net = nets.find(({ joints }) => joints.some(({ contactId }) => contactId === contact.id));
        const ends = wires.flatMap(({ from, to }) =>
          from.id === contact.id ? [to.name] : to.id === contact.id ? [from.name] : [],
        );
        return { number: nth + 1, contact: contact.name, net: net?.flag ?? "", to: ends.join(", ") };
      });
      return [{ name: control.label, pins }];
    });
}

/** The cable between two boards: a conductor a wire. */
export interface LinkConnector extends Connector {
  /** Named on the drawings: J1, J2 … */
  label: string;
  boardIds: [string, string];
  /** The wires in the order of the pins. */
  wireKeys: string[];
}

/** One connector for each pair of boards with wires between them. */
export function linkConnectors(design: Design): LinkConnector[] {
  const boardName = (id: string) => design.boards.find((board) => board.id === id)?.name ?? id;
  const pairs = new Map<string, LinkConnector>();
  for (const wire of wiresOf(design).filter(({ phase }) => phase === "links")) {
    const [one, other] = [wire.from, wire.to].sort((a, b) => a.boardId.localeCompare(b.boardId));
    const boardIds: [string, string] = [one.boardId, other.boardId];
    const key = boardIds.join(" ");
    const label = `J${pairs.size + 1}`;
    const name = `${label}: ${boardIds.map(boardName).join(" – ")}`;
    const pair = pairs.get(key) ?? { name, label, boardIds, pins: [], wireKeys: [] };
    const pin = { number: pair.pins.length + 1, contact: one.name, net: wire.net, to: other.name };
    pairs.set(key, { ...pair, pins: [...pair.pins, pin], wireKeys: [...pair.wireKeys, wire.key] });
  }
  return [...pairs.values()];
}
