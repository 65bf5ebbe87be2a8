import type { Design } from "../document/schema";
import type { Control } from "../catalogue/kinds";
import { boardWayOf } from "../document/buildSettings";
import { removeControls } from "./controls";
import { setBoardWay } from "./build";

/** A way to have less work: what would be different, and the design with it. */
export interface Simplification {
  id: string;
  title: string;
  apply(design: Design): Design;
}

const onMadeBoards = (design: Design): Design =>
  design.boards.reduce((changed, { id }) => setBoardWay(changed, id, { way: "made-board" }), design);

const onPads = (design: Design): Design =>
  design.boards.reduce(
    (changed, { id }) => setBoardWay(changed, id, { way: "made-board", smallParts: "surface" }),
    design,
  );

const without = (design: Design, kinds: Control["kind"][]): Design =>
  removeControls(
    design,
    design.controls.filter(({ kind }) => kinds.includes(kind)).map(({ id }) => id),
  );

const LEFT_OUT: { id: string; title: string; kinds: Control["kind"][] }[] = [
  { id: "lamps", title: "without lamps", kinds: ["lamp"] },
  { id: "lights", title: "without addressable lights", kinds: ["light"] },
  { id: "displays", title: "without displays", kinds: ["display", "segments"] },
  { id: "knobs", title: "without knobs that turn endlessly", kinds: ["encoder", "concentric"] },
];

/** What can be made simpler in a design. */
export function simplificationsOf(design: Design): Simplification[] {
  const ways = design.boards.map(({ id }) => boardWayOf(design, id));
  return [
    ...(ways.some(({ way }) => way !== "made-board")
      ? [{ id: "made-boards", title: "on made boards in place of wires", apply: onMadeBoards }]
      : []),
    ...(ways.some(({ way, smallParts }) => way !== "made-board" || smallParts !== "surface")
      ? [{ id: "paste", title: "on made boards, small parts in paste", apply: onPads }]
      : []),
    ...LEFT_OUT.filter(({ kinds }) => design.controls.some(({ kind }) => kinds.includes(kind))).map(
      ({ id, title, kinds }) => ({ id, title, apply: (one: Design) => without(one, kinds) }),
    ),
  ];
}
