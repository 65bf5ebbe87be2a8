import type { Derived } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { changeControl } from "../../edits/controls";
import { ownedPairs } from "../../layout/keepOuts";
import { needsStabiliser, stabiliserOf } from "../../catalogue/kinds/stabiliser";
import { placeOutline } from "../../geometry/outline";
import type { PlateMaterial } from "../../document/makingSettings";
import { tellPairs } from "../crowds";
import { type Rule, controlSubject, counted, listed } from "../finding";

/** Walls thinner than this break or do not print (from memory). */
const LEAST_WALL_MM: Record<PlateMaterial, number> = { printed: 1.6, acrylic: 2, aluminium: 1, steel: 0.8, board: 1 };

const boardOf = (design: Design, owner: number) =>
  design.boards.find((board) => board.id === design.controls[owner].placement.boardId)!;

const wallsWithin = (derived: Derived) =>
  derived.once("walls", () => ownedPairs(derived, derived.openings, Math.max(...Object.values(LEAST_WALL_MM))));

export const openingsMeet: Rule = {
  id: "layout/openings-meet",
  stage: "layout",
  severity: "stop",
  why: "Two openings that run into each other leave a part without a rim to clip to or stand on.",
  source: "geometry of the openings, stabilisers and post holes",
  check: (design, derived) =>
    tellPairs(
      design,
      wallsWithin(derived).filter(({ clearanceMm }) => clearanceMm < -1e-6),
      "have openings that run into each other",
      ({ first, second, clearanceMm }) => {
        const [a, b] = [design.controls[first], design.controls[second]];
        return {
          message: `The openings of ${a.label} and ${b.label} run ${(-clearanceMm).toFixed(1)} mm into each other.`,
          subjects: [controlSubject(a.id), controlSubject(b.id)],
        };
      },
    ),
};

export const thinWall: Rule = {
  id: "layout/thin-wall",
  stage: "layout",
  severity: "warn",
  why: "A thin wall between openings breaks when caps are pulled, or does not come out of the printer at all.",
  source: "least walls from memory: printed 1.6 mm, acrylic 2 mm, aluminium 1 mm, steel 0.8 mm, board 1 mm",
  check: (design, derived) =>
    wallsWithin(derived)
      .filter(({ first, clearanceMm }) => {
        const least = LEAST_WALL_MM[boardOf(design, first).plate.material];
        return clearanceMm >= -1e-6 && clearanceMm < least - 1e-6;
      })
      .map(({ first, second, clearanceMm }) => {
        const [a, b] = [design.controls[first], design.controls[second]];
        const { plate } = boardOf(design, first);
        return {
          message: `Between ${a.label} and ${b.label} the plate keeps ${Math.max(0, clearanceMm).toFixed(1)} mm; ${plate.material} wants ${LEAST_WALL_MM[plate.material]} mm.`,
          subjects: [controlSubject(a.id), controlSubject(b.id)],
        };
      }),
};

export const noStabiliser: Rule = {
  id: "layout/no-stabiliser",
  stage: "layout",
  severity: "warn",
  why: "A long cap pressed at its end tilts and sticks.",
  source: "common practice: keys of 2 units and wider need one",
  check(design, derived) {
    const bare = design.controls.filter(
      (control) =>
        control.kind === "key" &&
        needsStabiliser(control) &&
        !control.stabiliser &&
        derived.partOf(control).cap === null,
    );
    if (bare.length === 0) return [];
    const names = bare.map(({ label }) => label);
    return [
      {
        message: `${listed(names.slice(0, 6))}${names.length > 6 ? ` and ${names.length - 6} more` : ""} ${names.length === 1 ? "is" : "are"} 2 units or longer without a stabiliser.`,
        subjects: bare.map(({ id }) => controlSubject(id)),
        fixes: [
          {
            title: `Fit ${counted(bare.length, "stabiliser")}`,
            apply: (d) => bare.reduce((next, { id }) => changeControl(next, id, { stabiliser: true }), d),
          },
        ],
      },
    ];
  },
};

export const stabiliserRoom: Rule = {
  id: "layout/stabiliser-room",
  stage: "layout",
  severity: "stop",
  why: "A stabiliser's housings stand beside the switch, beneath the cap; another part there keeps it from going in.",
  source: "geometry of the stabilisers' openings (from memory: 6.75 × 14 mm) against bodies of other parts",
  check(design, derived) {
    const shapes = design.controls.flatMap((control, owner) => {
      const stabiliser = control.kind === "key" && control.stabiliser ? stabiliserOf(control) : null;
      return (stabiliser?.openings ?? []).map((outline) => ({
        owner,
        outline: placeOutline(outline, control.placement),
      }));
    });
    if (shapes.length === 0) return [];
    const own = new Set(shapes);
    const bodies = derived.bodies.map((outline, owner) => ({ owner, outline }));
    const all = [...shapes, ...bodies];
    return ownedPairs(derived, all, -1e-6).flatMap(({ first, second, clearanceMm }) => {
      const has = (owner: number) => [...own].some((shape) => shape.owner === owner);
      const [a, b] = has(first) ? [first, second] : [second, first];
      // Bodies that meet bodies are told by the rule on overlaps.
      if (derived.bodies[a] && !has(a)) return [];
      const [key, other] = [design.controls[a], design.controls[b]];
      return [
        {
          message: `${key.label}'s stabiliser has no room: ${other.label} is ${(-clearanceMm).toFixed(1)} mm in its way.`,
          subjects: [controlSubject(key.id), controlSubject(other.id)],
        },
      ];
    });
  },
};

export const plateThickness: Rule = {
  id: "layout/plate-thickness",
  stage: "layout",
  severity: "warn",
  why: "A switch clips to one thickness: in a thicker plate its clips do not open, in a thinner one it rattles.",
  source: "the parts' clip thickness (common practice: 1.5 mm for full-height switches)",
  check(design, derived) {
    return design.boards.flatMap((board) => {
      const off = design.controls.filter((control) => {
        const range = derived.partOf(control).plateMm;
        if (!range || control.placement.boardId !== board.id) return false;
        return board.plate.thicknessMm < range.min - 1e-9 || board.plate.thicknessMm > range.max + 1e-9;
      });
      if (off.length === 0) return [];
      const part = derived.partOf(off[0]);
      const middle = Math.round(((part.plateMm!.min + part.plateMm!.max) / 2) * 10) / 10;
      return [
        {
          message: `${board.name}: the plate is ${board.plate.thicknessMm} mm, but the ${part.title.toLowerCase()} wants ${part.plateMm!.min} to ${part.plateMm!.max} mm (${counted(off.length, "part")}).`,
          subjects: off.map(({ id }) => controlSubject(id)),
          fixes: [
            {
              title: `Make the plate ${middle} mm`,
              apply: (d) => ({
                ...d,
                boards: d.boards.map((b) =>
                  b.id === board.id ? { ...b, plate: { ...b.plate, thicknessMm: middle } } : b,
                ),
              }),
            },
          ],
        },
      ];
    });
  },
};
