import { type Control, kindOf } from "../catalogue/kinds";
import type { Pitch } from "../catalogue/kinds/controlKind";
import { type Part, shapeOutline } from "../catalogue/parts/part";
import { type Outline, circle, placeOutline } from "../geometry/outline";

/** Outlines of one control on the mat. */
export interface PlacedShapes {
  part: Part;
  pitch: Pitch;
  caps: Outline[];
  body: Outline;
  openings: Outline[];
  front: Outline[];
  behind: Outline[];
}

const shapesByControl = new WeakMap<Control, PlacedShapes>();

/** Shapes of a control on the mat. An edit leaves most controls the same objects, so their shapes are kept. */
export function placedShapes(control: Control, pitch: Pitch, part: Part): PlacedShapes {
  const known = shapesByControl.get(control);
  if (known && known.part === part && known.pitch === pitch) return known;
  const shapes = shapesOnMat(control, pitch, part);
  shapesByControl.set(control, shapes);
  return shapes;
}

function shapesOnMat(control: Control, pitch: Pitch, part: Part): PlacedShapes {
  const kind = kindOf(control);
  const onMat = (outline: Outline) => placeOutline(outline, control.placement);
  const posts = part.posts.map((post) => placeOutline(circle(post.diameterMm), { ...post, rotationDeg: 0 }));
  return {
    part,
    pitch,
    caps: kind.cap(control, pitch, part).map(onMat),
    body: onMat(kind.body(control, part)),
    openings: [...kind.openings(control, part), ...posts].map(onMat),
    front: part.front ? [onMat(shapeOutline(part.front))] : [],
    behind: part.behind ? [onMat(shapeOutline(part.behind))] : [],
  };
}
