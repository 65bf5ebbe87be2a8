import type { Derived } from "../../derived/derive";
import { clearanceMm, overlaps } from "../../geometry/clearance";
import { boxOf, boxesMeet } from "../../geometry/outline";
import { isInside } from "../../geometry/ring";
import { keepOuts, ownedPairs, plugBlockers } from "../../layout/keepOuts";
import { tellPairs } from "../crowds";
import { type Rule, controlSubject, counted, listed } from "../finding";

export const keepOut: Rule = {
  id: "layout/keep-out",
  stage: "layout",
  severity: "stop",
  why: "Behind the plate terminals, housings and standoffs need their room too; what meets there cannot be mounted.",
  source: "the parts' keep-outs behind the plate",
  check: (design, derived) =>
    tellPairs(
      design,
      ownedPairs(derived, keepOuts(derived, "behind"), -1e-6),
      "stand in each other behind the plate",
      ({ first, second, clearanceMm: gap }) => {
        const [a, b] = [design.controls[first], design.controls[second]];
        return {
          message: `Behind the plate ${a.label} and ${b.label} are ${(-gap).toFixed(1)} mm into each other.`,
          subjects: [controlSubject(a.id), controlSubject(b.id)],
        };
      },
    ),
};

/** Which parts stand in the swing of which, each two once, with how far. */
function swingsMet(derived: Derived): { mover: number; other: number; deepMm: number }[] {
  const swings = keepOuts(derived, "front");
  const swinging = new Set(swings.map(({ owner }) => owner));
  const others = [...derived.capPieces.filter(({ owner }) => !swinging.has(owner)), ...swings];
  const boxes = others.map(({ outline }) => boxOf(outline));
  const met = new Map<string, { mover: number; other: number; deepMm: number }>();
  for (const swing of swings) {
    const box = boxOf(swing.outline);
    boxes.forEach((otherBox, nth) => {
      if (!boxesMeet(box, otherBox)) return;
      const { owner, outline } = others[nth];
      if (swinging.has(owner) && owner <= swing.owner) return;
      const gap = clearanceMm(swing.outline, outline);
      if (gap < -1e-6) met.set(`${swing.owner} ${owner}`, { mover: swing.owner, other: owner, deepMm: -gap });
    });
  }
  return [...met.values()];
}

export const handRoom: Rule = {
  id: "layout/hand-room",
  stage: "layout",
  severity: "warn",
  why: "A lever, stick or slider needs its swing free: a finger or a cap in the way stops it or is hit by it.",
  source: "the parts' keep-outs before the plate",
  check(design, derived) {
    return swingsMet(derived).flatMap(({ mover, other, deepMm }) => {
      const [a, b] = [design.controls[mover], design.controls[other]];
      if (a.placement.boardId !== b.placement.boardId) return [];
      return [
        {
          message: `${b.label} stands ${deepMm.toFixed(1)} mm in the swing of ${a.label}.`,
          subjects: [controlSubject(a.id), controlSubject(b.id)],
        },
      ];
    });
  },
};

export const plugRoom: Rule = {
  id: "layout/plug-room",
  stage: "layout",
  severity: "stop",
  why: "A plug that cannot go in means a cut case or a moved board.",
  source: "the controller's connector and a plug with its overmould (from memory: 12 mm wide)",
  check(design, derived) {
    const owners = plugBlockers(derived);
    if (owners.length === 0) return [];
    const hit = owners.map((owner) => design.controls[owner]);
    return [
      {
        message: `${listed(hit.slice(0, 6).map(({ label }) => label))} ${hit.length === 1 ? "is" : "are"} in the way of the plug, which needs ${derived.profile!.connector!.plugMm} mm before the connector.`,
        subjects: hit.map(({ id }) => controlSubject(id)),
      },
    ];
  },
};

export const coveredSwitches: Rule = {
  id: "layout/controller-covers",
  stage: "layout",
  severity: "warn",
  why: "Switches beneath a soldered module can never be desoldered; on sockets or pin rows the module can come off.",
  source: "geometry of the module under the board against the parts' room behind the plate",
  check(design, derived) {
    const module = derived.moduleOutline;
    if (!module || derived.controller!.side !== "under") return [];
    const hit = new Set(
      keepOuts(derived, "behind")
        .filter(({ outline }) => overlaps(module, outline))
        .map(({ owner }) => owner),
    );
    const covered = [...hit].map((owner) => design.controls[owner]).filter(({ kind }) => kind !== "fixing");
    if (covered.length === 0) return [];
    const names = listed(covered.slice(0, 6).map(({ label }) => label));
    return [
      {
        message: `Under the board the controller covers ${names}${covered.length > 6 ? ` and ${covered.length - 6} more` : ""}: solder and test ${covered.length === 1 ? "it" : "them"} first, then fit the module on sockets.`,
        subjects: covered.map(({ id }) => controlSubject(id)),
      },
    ];
  },
};

export const outsideOutline: Rule = {
  id: "layout/outside-outline",
  stage: "layout",
  severity: "stop",
  why: "What stands outside the drawn outline has no plate beneath it.",
  source: "geometry of the drawn outline",
  check: (design, derived) =>
    design.boards.flatMap((board) => {
      const { outline } = board;
      if (!outline) return [];
      const out = design.controls.filter(
        (control, owner) =>
          control.placement.boardId === board.id && derived.bodies[owner].core.some((p) => !isInside(p, outline)),
      );
      if (out.length === 0) return [];
      return [
        {
          message: `${listed(out.slice(0, 6).map(({ label }) => label))}${out.length > 6 ? ` and ${out.length - 6} more` : ""} ${out.length === 1 ? "lies" : "lie"} across the drawn outline of ${board.name}.`,
          subjects: out.map(({ id }) => controlSubject(id)),
          fixes: [
            {
              title: "Let the outline follow the controls",
              apply: (d) => ({ ...d, boards: d.boards.map((b) => (b.id === board.id ? { ...b, outline: null } : b)) }),
            },
          ],
        },
      ];
    }),
};

export const loosePosts: Rule = {
  id: "layout/stick-posts",
  stage: "layout",
  severity: "warn",
  why: "A stick is pushed sideways all its life; on its solder joints alone it tears off the board.",
  source: "the parts' mounting posts",
  check(design, derived) {
    const loose = design.controls.filter(
      (control) => control.kind === "stick" && derived.partOf(control).posts.length === 0,
    );
    if (loose.length === 0) return [];
    return [
      {
        message: `${listed(loose.map(({ label }) => label))}: ${counted(loose.length, "stick")} without holes for mounting posts.`,
        subjects: loose.map(({ id }) => controlSubject(id)),
      },
    ];
  },
};
