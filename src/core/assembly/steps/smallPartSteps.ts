import type { InlinePart } from "../../circuits/circuitKind";
import type { Board } from "../../document/schema";
import { counted } from "../../words";
import { inlineKey } from "../../wires/partNames";
import { boardOfAdded } from "../../wires/wires";
import { ohmOf, ohmWords } from "../../electrics/ohmWords";
import { smallPartValues } from "../../power/smallPartValues";
import { type Bench, fitted, hasPlate, isMade, isSurface, joinedTo, onBoard, step } from "../bench";
import type { Reach, Step } from "../step";
import { bareOf } from "./plateSteps";

interface Small {
  name: string;
  sort: InlinePart["sort"];
  value: string;
  /** Where it is soldered; null for one between two nets. */
  reach: Reach | null;
  controlId: string | null;
  /** The circuit that has it, and the net at its far end. */
  circuit: string;
  netId: string;
  onContact: InlinePart["onContact"] | null;
}

const valueWords = (value: string) => {
  const ohm = ohmOf(value);
  return ohm === null ? value : ohmWords(ohm);
};

/** Every diode and resistor that sits on a board. */
export function smallOn(bench: Bench, boardId: string): Small[] {
  const { design, derived, names } = bench;
  const values = smallPartValues(design);
  const inLeads = derived.builtCircuits.flatMap((built, nth) =>
    built.inline.flatMap((one): Small[] => {
      const element = derived.elements.get(one.elementId)!;
      const control = derived.controls.get(element.controlId)!;
      if (control.placement.boardId !== boardId) return [];
      const at = element.contacts.find(({ id }) => id === one.contactId)?.at ?? control.placement;
      const name = names.inlines.get(inlineKey(one))!;
      return [
        {
          name,
          sort: one.sort,
          value: values.get(name)!,
          reach: { boardId, face: "back", at, of: control.label, owner: names.controls.get(control.id)! },
          controlId: control.id,
          circuit: design.circuits[nth]?.id ?? "supply",
          netId: one.netId,
          onContact: one.onContact ?? null,
        },
      ];
    }),
  );
  const between = derived.shunts.flatMap(({ id, sort, from }): Small[] => {
    if (boardOfAdded(id, design) !== boardId) return [];
    const name = names.shunts.get(id)!;
    return [
      {
        name,
        sort,
        value: values.get(name)!,
        reach: null,
        controlId: null,
        circuit: "between",
        netId: from,
        onContact: null,
      },
    ];
  });
  return [...inLeads, ...between];
}

/** What is needed of small parts, alike ones together: "12 × diode 1N4148". */
export function smallNeeds(all: Small[]): string[] {
  const counts = new Map<string, number>();
  for (const { sort, value } of all) {
    const words = `${sort} ${valueWords(value)}`;
    counts.set(words, (counts.get(words) ?? 0) + 1);
  }
  return [...counts].map(([words, count]) => `${count} × ${words}`);
}

const flagOf = ({ derived }: Bench, netId: string) => derived.netById.get(netId)?.flag ?? netId;

function polarity(all: Small[]): string[] {
  const ways = new Set(all.filter(({ sort }) => sort === "diode").map(({ onContact }) => onContact));
  if (ways.has("cathode") && ways.has("anode"))
    return ["The ring is not always on the same side: see the list of diodes."];
  if (ways.has("anode")) return ["Every ring points away from its switch, to the line."];
  return ways.has("cathode") ? ["Every ring points to its switch."] : [];
}

/** "12 diodes", "3 resistors", "15 diodes and resistors". */
function countedSmall(all: Small[]): string {
  const sorts = [...new Set(all.map(({ sort }) => sort))];
  return sorts.length === 1 ? counted(all.length, sorts[0]) : `${all.length} diodes and resistors`;
}

/** By hand the small parts of one line are bent and soldered together, so that a line can be looked along. */
function byHand(bench: Bench, board: Board): Step[] {
  const groups = new Map<string, Small[]>();
  for (const small of smallOn(bench, board.id)) {
    const key = small.sort === "diode" ? `${small.circuit} ${small.netId}` : small.circuit;
    groups.set(key, [...(groups.get(key) ?? []), small]);
  }
  return [...groups].map(([key, all]) => {
    const isDiodes = all.every(({ sort }) => sort === "diode") && all[0].circuit !== "between";
    const title = isDiodes
      ? `Bend and solder ${counted(all.length, "diode")} of ${flagOf(bench, all[0].netId)}`
      : `Bend and solder ${countedSmall(all)}`;
    const controls = [...new Set(all.flatMap(({ controlId }) => controlId ?? []))];
    return step({
      id: `small ${board.id} ${key}`,
      sort: "small-part",
      title: `${title}${onBoard(bench, board.id)}`,
      boardId: board.id,
      face: "back",
      tool: "iron",
      units: all.length,
      fits: all.map(({ name }) => name),
      needs: smallNeeds(all),
      how: ["Bend the leads over pliers, tin both ends, solder, clip."],
      checks: polarity(all),
      cautions: ["solder", "leads"],
      lit: { controls, chips: [], controllers: [] },
      reaches: all.flatMap(({ reach }) => reach ?? []),
      wants: controls.map((id) => joinedTo(bench.names.controls.get(id)!)),
    });
  });
}

/** Legs of small parts lie flat on the board (from memory: a diode of 1.9 mm, a quarter-watt resistor of 2.5 mm). */
const SMALL_MM = 2.5;

function leaded(bench: Bench, board: Board): Step[] {
  const all = smallOn(bench, board.id);
  if (all.length === 0) return [];
  return [
    step({
      id: `small ${board.id}`,
      sort: "joint",
      title: `Solder ${countedSmall(all)}${onBoard(bench, board.id)}`,
      boardId: board.id,
      face: "back",
      tool: "iron",
      units: 2 * all.length,
      fits: all.map(({ name }) => name),
      needs: smallNeeds(all),
      how: ["Bend the leads to the pitch of the holes, put them in, turn the board over, solder, clip."],
      checks: [...polarity(all), "Every ring lies as it is printed on the board."],
      cautions: ["solder", "leads"],
      lit: { controls: all.flatMap(({ controlId }) => controlId ?? []), chips: [], controllers: [] },
      reaches: all.flatMap(({ reach }) =>
        reach ? [{ ...reach, face: hasPlate(bench, board) ? ("inside" as const) : ("front" as const) }] : [],
      ),
      wants: [{ token: fitted(bareOf(board)), sort: "joined", words: "sits on the board" }],
      heightMm: SMALL_MM,
    }),
  ];
}

/** Diodes and resistors; on a board with surface parts they come with the paste. */
export const smallPartSteps = (bench: Bench): Step[] =>
  bench.design.boards.flatMap((board) => {
    if (!isMade(bench, board.id)) return byHand(bench, board);
    return isSurface(bench, board.id) ? [] : leaded(bench, board);
  });
