/** Parts that plans add: usual price in money units a piece (from memory; each can be changed) and joints to solder. */
export const addedParts = [
  { id: "diode", title: "1N4148 diode", price: 0.02, joints: 2 },
  { id: "resistor", title: "Resistor", price: 0.01, joints: 2 },
  { id: "register-in", title: "74HC165 input register", price: 0.35, joints: 16 },
  { id: "register-out", title: "74HC595 output register", price: 0.35, joints: 16 },
  { id: "expander", title: "16-line I²C expander", price: 1.2, joints: 28 },
  { id: "multiplexer", title: "74HC4067 16-way multiplexer", price: 0.6, joints: 24 },
  { id: "multiplexer-8", title: "74HC4051 8-way multiplexer", price: 0.35, joints: 16 },
  { id: "bus-multiplexer", title: "8-way I²C multiplexer", price: 1.1, joints: 24 },
  { id: "level-shifter", title: "74AHCT125 level shifter", price: 0.4, joints: 14 },
  { id: "transistor", title: "Switching transistor", price: 0.05, joints: 3 },
  { id: "terminal", title: "Two-way terminal", price: 0.3, joints: 2 },
  { id: "link-plug", title: "Four-way plug of a link", price: 0.4, joints: 4 },
  { id: "module-plug", title: "Five-way plug of a module", price: 0.5, joints: 5 },
  { id: "selector", title: "Three-way selector jumper", price: 0.1, joints: 3 },
  { id: "fuse", title: "Resettable fuse", price: 0.2, joints: 2 },
  { id: "socket", title: "Switch socket", price: 0.15, joints: 2 },
  { id: "chip-support", title: "Plug, regulator and small parts of a bare chip", price: 3, joints: 40 },
] as const;
export type AddedPart = (typeof addedParts)[number]["id"];

export type PartCounts = Partial<Record<AddedPart, number>>;

const usual = new Map<string, number>(addedParts.map(({ id, price }) => [id, price]));

/** Price of an added part or, by its id, of a controller class. */
export const priceOf = (id: string, prices: Record<string, number>, otherwise = 0): number =>
  (Object.hasOwn(prices, id) ? prices[id] : undefined) ?? usual.get(id) ?? otherwise;

export function sumParts(all: PartCounts[]): PartCounts {
  const sum: PartCounts = {};
  for (const counts of all)
    for (const [id, count] of Object.entries(counts))
      if (count > 0) sum[id as AddedPart] = (sum[id as AddedPart] ?? 0) + count;
  return sum;
}

const joints = new Map<string, number>(addedParts.map((part) => [part.id, part.joints]));

/** Joints to solder for added parts. */
export const jointsOf = (counts: PartCounts): number =>
  Object.entries(counts).reduce((sum, [id, count]) => sum + count * joints.get(id)!, 0);
