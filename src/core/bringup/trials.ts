import { derive } from "../derived/derive";
import { type Point, distanceMm } from "../geometry/point";
import { scanTableOf } from "../firmware/scanTable";
import { listed } from "../words";
import type { Assembled } from "./assembled";
import { BEND_MM } from "./fault";
import { meterTrials } from "./meterTrials";
import type { Suspect } from "./suspects";
import type { Trial } from "./trial";

/** So many keys lie under a hand: one sweep takes no more. */
const SWEEP_MOST = 16;
/** So many keys one hand can hold while the other bends. */
const HOLD_MOST = 4;

/** A switch that the firmware reads, with its nets and place. */
interface Pressable {
  id: string;
  label: string;
  controlId: string;
  boardId: string;
  at: Point;
  nets: string[];
}

/** Every test that could tell something about a device. */
export const trialsOf = (assembled: Assembled, suspects: Suspect[]): Trial[] =>
  derive(assembled.design).once("bring-up tests", () => {
    const keys = pressables(assembled);
    return [
      ...checks(assembled),
      idle(assembled),
      ...keys.map(press),
      ...sweeps(assembled, keys),
      ...corners(assembled, keys),
      ...bends(assembled, keys),
      ...turns(assembled),
      ...shows(assembled),
      ...axes(assembled),
      ...meterTrials(assembled, suspects),
    ];
  });

export function pressables({ design, contactsOf }: Assembled): Pressable[] {
  const { elements, controls } = derive(design);
  return scanTableOf(design).switches.flatMap((id) => {
    const element = elements.get(id);
    const control = controls.get(element?.controlId ?? "");
    if (!element || !control) return [];
    return {
      id,
      label: element.label,
      controlId: control.id,
      boardId: control.placement.boardId,
      at: control.placement,
      nets: (contactsOf.get(id) ?? []).map(({ netId }) => netId),
    };
  });
}

/** What comes before any key is pressed, in its order. */
function checks({ design, nets }: Assembled): Trial[] {
  const check = (what: "short" | "load" | "name", effort: "press" | "meter", title: string): Trial => ({
    id: `check ${what}`,
    deed: { does: "check", what },
    effort,
    times: 1,
    title,
    nets: [...nets.keys()],
    controlIds: [],
    at: design.controllers.map(({ placement }) => placement),
  });
  if (design.controllers.length === 0) return [];
  return [
    check("short", "meter", "Before any plug: measure from each supply pad of the module to ground"),
    check("load", "press", "Plug it in and load it"),
    check("name", "press", `Look whether the computer lists “${design.reportSet.productName}”`),
  ];
}

const idle = ({ nets }: Assembled): Trial => ({
  id: "idle",
  deed: { does: "idle" },
  effort: "press",
  times: 1,
  title: "Touch nothing, and watch",
  nets: [...nets.keys()],
  controlIds: [],
  at: [],
});

const press = ({ id, label, nets, controlId, at }: Pressable): Trial => ({
  id: `press ${id}`,
  deed: { does: "hold", held: [id] },
  effort: "press",
  times: 1,
  title: `Press ${label}`,
  nets,
  controlIds: [controlId],
  at: [at],
});

/** Lines of a matrix, and rows of neighbours under a hand, board by board. */
function sweeps(assembled: Assembled, keys: Pressable[]): Trial[] {
  const lines = [...assembled.nets.values()]
    .filter(({ net }) => net.role === "row" || net.role === "column")
    .map(({ net }) => ({ name: net.flag, keys: keys.filter(({ nets }) => nets.includes(net.id)) }));
  const boards = [...new Set(keys.map(({ boardId }) => boardId))];
  const hands = boards.flatMap((boardId) => handsOf(keys.filter((key) => key.boardId === boardId)));
  return [...lines, ...hands].flatMap(({ name, keys: own }) =>
    parts(own, SWEEP_MOST).flatMap((some, nth, all) =>
      some.length < 2 ? [] : sweep(`${name}${all.length > 1 ? ` part ${nth + 1}` : ""}`, some),
    ),
  );
}

const sweep = (name: string, keys: Pressable[]): Trial => ({
  id: `sweep ${name}`,
  deed: { does: "sweep", each: keys.map(({ id }) => id) },
  effort: "sweep",
  times: 1,
  title: `Sweep ${name}: ${keys[0].label} to ${keys.at(-1)!.label}, ${keys.length} one after the other`,
  nets: [...new Set(keys.flatMap(({ nets }) => nets))],
  controlIds: [...new Set(keys.map(({ controlId }) => controlId))],
  at: keys.map(({ at }) => at),
});

/** Keys of a board in columns of places, as many together as a hand covers. */
function handsOf(keys: Pressable[]): { name: string; keys: Pressable[] }[] {
  const inOrder = [...keys].sort((one, other) => one.at.xMm - other.at.xMm || one.at.yMm - other.at.yMm);
  return parts(inOrder, SWEEP_MOST).map((own) => ({ name: `the hand of ${own[0].label}`, keys: own }));
}

/** In pieces of at most so many, as even as can be. */
function parts<T>(list: T[], most: number): T[][] {
  const count = Math.ceil(list.length / most);
  return Array.from({ length: count }, (_, nth) =>
    list.slice(Math.floor((nth * list.length) / count), Math.floor(((nth + 1) * list.length) / count)),
  );
}

/** Of a matrix with diodes: three corners of a rectangle; only a diode that conducts both ways makes the fourth appear. */
function corners(assembled: Assembled, keys: Pressable[]): Trial[] {
  const { builtCircuits } = derive(assembled.design);
  const guarded = new Set(
    builtCircuits.flatMap(({ inline }) =>
      inline.flatMap(({ sort, elementId }) => (sort === "diode" ? [elementId] : [])),
    ),
  );
  const cell = (key: Pressable) => key.nets.slice(0, 2).join(" ");
  const byNets = new Map(keys.map((key) => [cell(key), key]));
  return keys.flatMap((key) => {
    if (!guarded.has(key.id) || key.nets.length < 2) return [];
    const [column, row] = key.nets;
    for (const beside of keys)
      if (beside !== key && beside.nets[1] === row)
        for (const above of keys) {
          if (above === key || above.nets[0] !== column) continue;
          if (!byNets.has(`${beside.nets[0]} ${above.nets[1]}`)) continue;
          return [hold([key, beside, above])];
        }
    return [];
  });
}

const hold = (keys: Pressable[]): Trial => ({
  id: `hold ${keys.map(({ id }) => id).join(" ")}`,
  deed: { does: "hold", held: keys.map(({ id }) => id) },
  effort: "press",
  times: keys.length,
  title: `Hold ${listed(keys.map(({ label }) => label))} together`,
  nets: [...new Set(keys.flatMap(({ nets }) => nets))],
  controlIds: keys.map(({ controlId }) => controlId),
  at: keys.map(({ at }) => at),
});

/** Some keys held, and the board bent beneath them; and at each module, with keys held whose lines lead there. */
function bends(assembled: Assembled, keys: Pressable[]): Trial[] {
  const left = new Set(keys);
  const trials: Trial[] = [];
  for (const key of keys) {
    if (!left.has(key)) continue;
    const near = [...left]
      .filter(({ boardId }) => boardId === key.boardId)
      .sort((one, other) => distanceMm(one.at, key.at) - distanceMm(other.at, key.at))
      .filter(({ at }) => distanceMm(at, key.at) <= BEND_MM)
      .slice(0, HOLD_MOST);
    for (const one of near) left.delete(one);
    trials.push(bend(near, { at: middle(near), boardId: key.boardId }, near[0].label));
  }
  return [...trials, ...moduleBends(assembled, keys), ...turnedBends(assembled)];
}

const middle = (keys: { at: Point }[]): Point => ({
  xMm: keys.reduce((sum, { at }) => sum + at.xMm, 0) / keys.length,
  yMm: keys.reduce((sum, { at }) => sum + at.yMm, 0) / keys.length,
});

const bend = (keys: Pressable[], where: { at: Point; boardId: string }, by: string): Trial => ({
  id: `bend ${by}: ${keys.map(({ id }) => id).join(" ")}`,
  deed: { does: "bend", held: keys.map(({ id }) => id), bend: where },
  effort: "bend",
  times: 1,
  title: `Hold ${listed(keys.map(({ label }) => label))} and bend the board at ${by}`,
  nets: [...new Set(keys.flatMap(({ nets }) => nets))],
  controlIds: keys.map(({ controlId }) => controlId),
  at: [where.at],
});

/** As few holds as touch every line that leads to a module, each of keys that share no line. */
function moduleBends({ design, nets }: Assembled, keys: Pressable[]): Trial[] {
  return design.controllers.flatMap((controller, number) => {
    const boardId = controller.placement.boardId;
    const isLead = (id: string) => nets.get(id)?.net.controllerId === controller.id && nets.get(id)?.pad !== null;
    const open = new Set(keys.flatMap((key) => key.nets.filter(isLead)));
    const trials: Trial[] = [];
    while (open.size > 0) {
      const taken: Pressable[] = [];
      for (let pick = most(keys, open, taken); pick && taken.length < HOLD_MOST; pick = most(keys, open, taken))
        taken.push(pick);
      if (taken.length === 0) break;
      for (const id of taken.flatMap((key) => key.nets)) open.delete(id);
      const at = { xMm: controller.placement.xMm, yMm: controller.placement.yMm };
      trials.push(bend(taken, { at, boardId }, `the module${number > 0 ? ` ${number + 1}` : ""}`));
    }
    return trials;
  });
}

/** The key that leads over most lines that are still open, and over none of those that are held already. */
function most(keys: Pressable[], open: ReadonlySet<string>, taken: Pressable[]): Pressable | null {
  const held = new Set(taken.flatMap(({ nets }) => nets));
  let best: Pressable | null = null;
  let count = 0;
  for (const key of keys) {
    const own = key.nets.filter((id) => open.has(id) && !held.has(id)).length;
    if (own > count) [best, count] = [key, own];
  }
  return best;
}

/** Knobs, lamps and displays while the board is bent beneath them. */
function turnedBends({ design, contactsOf }: Assembled): Trial[] {
  const { elements, controls, circuitsOf } = derive(design);
  return [...elements.values()].flatMap((element) => {
    if (element.kind === "switch" || !circuitsOf.has(element.id)) return [];
    const control = controls.get(element.controlId)!;
    const { xMm, yMm, boardId } = control.placement;
    return {
      id: `bend ${element.id}`,
      deed: { does: "bend" as const, held: [element.id], bend: { at: { xMm, yMm }, boardId } },
      effort: "bend" as const,
      times: 1,
      title: `${element.kind === "quadrature" || element.kind === "analog" ? "Move" : "Watch"} ${element.label} and bend the board there`,
      nets: (contactsOf.get(element.id) ?? []).map(({ netId }) => netId),
      controlIds: [control.id],
      at: [{ xMm, yMm }],
    };
  });
}

function single(
  { design, contactsOf }: Assembled,
  kinds: string[],
  make: (id: string, label: string) => Pick<Trial, "id" | "deed" | "title">,
): Trial[] {
  const { elements, controls, circuitsOf } = derive(design);
  return [...elements.values()].flatMap(({ id, kind, label, controlId }) =>
    kinds.includes(kind) && circuitsOf.has(id)
      ? {
          ...make(id, label),
          effort: "press" as const,
          times: 1,
          nets: (contactsOf.get(id) ?? []).map(({ netId }) => netId),
          controlIds: [controlId],
          at: [controls.get(controlId)!.placement],
        }
      : [],
  );
}

const turns = (assembled: Assembled): Trial[] =>
  single(assembled, ["quadrature"], (id, label) => ({
    id: `turn ${id}`,
    deed: { does: "turn", elementId: id },
    title: `Turn ${label}: four felt steps clockwise, then back`,
  }));

const axes = (assembled: Assembled): Trial[] =>
  single(assembled, ["analog"], (id, label) => ({
    id: `axis ${id}`,
    deed: { does: "axis", elementId: id },
    title: `Move ${label} to both ends and let it rest`,
  }));

/** All lamps at once, all lights of a chain, and each display by itself. */
function shows(assembled: Assembled): Trial[] {
  const { elements, circuitsOf, builtCircuits } = derive(assembled.design);
  const together = (name: string, ids: string[], title: string): Trial[] =>
    ids.length === 0
      ? []
      : [
          {
            id: `show ${name}`,
            deed: { does: "show", elementIds: ids },
            effort: "press",
            times: 1,
            title,
            nets: [...new Set(ids.flatMap((id) => (assembled.contactsOf.get(id) ?? []).map(({ netId }) => netId)))],
            controlIds: [...new Set(ids.map((id) => elements.get(id)!.controlId))],
            at: [],
          },
        ];
  const lamps = [...elements.values()]
    .filter(({ kind, id }) => kind === "lamp" && circuitsOf.has(id))
    .map(({ id }) => id);
  const chains = builtCircuits.flatMap(({ chains: all }) => all);
  return [
    ...together("lamps", lamps, `Light all ${lamps.length} lamps, then one by one`),
    ...chains.flatMap(({ circuitId, lights }) =>
      together(circuitId, lights, `Light all ${lights.length} lights at full, then one by one`),
    ),
    ...single(assembled, ["device", "output"], (id, label) => ({
      id: `show ${id}`,
      deed: { does: "show", elementIds: [id] },
      title: `Have ${label} show that it works`,
    })),
  ];
}
