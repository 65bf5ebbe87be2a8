import { glowsWith } from "./glows";
import { type Control, kindNamed } from "../catalogue/kinds";
import type { Placement } from "../catalogue/kinds/controlKind";
import { circuitKindOf } from "../circuits";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { tidyMm } from "../geometry/tidyMm";
import { needsStabiliser } from "../catalogue/kinds/stabiliser";
import { rulesWith } from "./keyRules";
import { tidyPins } from "./tidyPins";

/** The next free automatic label of a kind: K1, K2 … */
export function nextLabel(design: Design, prefix: string): string {
  const taken = new Set(design.controls.map((control) => control.label));
  let number = 1;
  while (taken.has(`${prefix}${number}`)) number += 1;
  return `${prefix}${number}`;
}

/** Puts a new control of a kind on the mat. The id must not be in use. */
export function addControl(design: Design, kind: Control["kind"], id: string, placement: Placement): Design {
  const maker = kindNamed(kind);
  const control = maker.fresh(id, nextLabel(design, maker.prefix), placement);
  return { ...design, controls: [...design.controls, control] };
}

/** Changes fields of one control; its id and kind stay. */
export function changeControl(design: Design, id: string, change: Partial<Control>): Design {
  const controls = design.controls.map((c) =>
    c.id === id ? stabilised({ ...c, ...change, id: c.id, kind: c.kind } as Control, c, change) : c,
  );
  return dropLostElements({ ...design, controls });
}

/** A cap that becomes long gets its stabiliser, and loses it when it becomes short; the person's own choice stands. */
function stabilised(control: Control, before: Control, change: Partial<Control>): Control {
  if (control.kind !== "key" || before.kind !== "key" || "stabiliser" in change) return control;
  if (needsStabiliser(control) === needsStabiliser(before)) return control;
  return { ...control, stabiliser: needsStabiliser(control) };
}

/** Gives controls new places, by id; missing parts of a place stay. */
export function placeControls(design: Design, places: Map<string, Partial<Placement>>): Design {
  const controls = design.controls.map((control) => {
    const place = places.get(control.id);
    return place ? { ...control, placement: withoutGaps({ ...control.placement, ...place }) } : control;
  });
  return { ...design, controls };
}

/** What is not so has no field, so that two equal placements look equal. */
function withoutGaps({ mirrored, ...placement }: Placement): Placement {
  return mirrored ? { ...placement, mirrored } : placement;
}

export function shiftControls(design: Design, ids: string[], xMm: number, yMm: number): Design {
  const chosen = new Set(ids);
  const places = new Map<string, Partial<Placement>>();
  for (const { id, placement } of design.controls) {
    if (chosen.has(id)) places.set(id, { xMm: tidyMm(placement.xMm + xMm), yMm: tidyMm(placement.yMm + yMm) });
  }
  return placeControls(design, places);
}

export function removeControls(design: Design, ids: string[]): Design {
  const gone = new Set(ids);
  const controls = design.controls.filter((control) => !gone.has(control.id));
  const groups = design.groups
    .map((group) => ({ ...group, members: group.members.map((id) => (gone.has(id) ? "" : id)) }))
    .filter((group) => group.members.some((id) => id !== ""));
  const homes = design.reach.homes.filter((home) => !gone.has(home.controlId));
  return dropLostElements({ ...design, controls, groups, reach: { ...design.reach, homes } });
}

/** Copies controls beside themselves, with new ids and labels and the same fields; they are not wired yet. */
export function duplicateControls(design: Design, ids: string[], newId: () => string, byMm: [number, number]): Design {
  let result = design;
  for (const original of design.controls.filter((control) => ids.includes(control.id))) {
    const label = nextLabel(result, kindNamed(original.kind).prefix);
    const { placement } = original;
    const moved = { ...placement, xMm: tidyMm(placement.xMm + byMm[0]), yMm: tidyMm(placement.yMm + byMm[1]) };
    result = { ...result, controls: [...result.controls, { ...original, id: newId(), label, placement: moved }] };
  }
  return result;
}

/** Circuits, keymap and pins forget elements, inputs and nets that are no longer there. */
function dropLostElements(design: Design): Design {
  const { elements, inputs, controls } = derive(design);
  const inputIds = new Set(inputs.map((input) => input.id));
  const circuits = design.circuits.map((circuit) =>
    circuitKindOf(circuit)
      .members(circuit)
      .filter((id) => !elements.has(id))
      .reduce((left, id) => circuitKindOf(left).without(left, id), circuit),
  );
  const rules = rulesWith(design, inputIds);
  const layers = design.keymap.layers.map((layer) => ({
    ...layer,
    bindings: Object.fromEntries(
      Object.entries(layer.bindings).filter(([id]) => inputIds.has(id) || rules.isInput(id)),
    ),
    ...(layer.displays && {
      displays: Object.fromEntries(Object.entries(layer.displays).filter(([id]) => controls.has(id))),
    }),
  }));
  const lamps = Object.fromEntries(Object.entries(design.keymap.lamps).filter(([id]) => controls.has(id)));
  const looks = design.keymap.looks && {
    looks: Object.fromEntries(Object.entries(design.keymap.looks).filter(([id]) => controls.has(id))),
  };
  const glows = design.keymap.glows && { glows: glowsWith(design.keymap.glows, (id) => elements.has(id)) };
  return tidyPins({
    ...design,
    circuits,
    keymap: { ...design.keymap, ...rules.keymap, ...looks, ...glows, layers, lamps },
  });
}
