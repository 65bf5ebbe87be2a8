import { controllerCatalogue } from "@/core/catalogue/controllers";
import { controlKinds } from "@/core/catalogue/kinds";
import { circuitKinds } from "@/core/circuits";
import { derive } from "@/core/derived/derive";
import { refusalOf } from "@/core/document/gate";
import type { Design } from "@/core/document/schema";
import { addBoard, addLink, changeBoard } from "@/core/edits/boards";
import { addControl, changeControl, removeControls, shiftControls } from "@/core/edits/controls";
import { addLayer, bind, removeLayer } from "@/core/edits/keymap";
import { setDiodes, setReversed } from "@/core/edits/matrixDiodes";
import { chooseController, freePin, moveController, movePin } from "@/core/edits/pins";
import { setTiming } from "@/core/edits/timing";
import { unwire, wireAs, wireNew } from "@/core/edits/wiring";
import { randomFrom } from "@/core/optimisation/random";

type Random = () => number;
type Mischief = (design: Design, random: Random) => Design;

const oneOf = <T>(list: readonly T[], random: Random): T => list[Math.floor(random() * list.length)];
const some = <T>(list: T[], share: number, random: Random) => list.filter(() => random() < share);
const elementIds = (design: Design) => [...derive(design).elements.keys()];

/** What someone at the bench might do to a design, good or bad. */
const mischief: Mischief[] = [
  (d, random) =>
    shiftControls(
      d,
      some(d.controls, 0.2, random).map(({ id }) => id),
      40 * (random() - 0.5),
      40 * (random() - 0.5),
    ),
  (d, random) =>
    removeControls(
      d,
      some(d.controls, 0.1, random).map(({ id }) => id),
    ),
  (d, random) => {
    const { kind } = oneOf(controlKinds, random);
    const at = { xMm: 200 * random(), yMm: 100 * random(), rotationDeg: 0, boardId: d.boards[0].id };
    return addControl(d, kind, `new${Math.floor(random() * 1e6)}`, at);
  },
  (d, random) => changeControl(d, oneOf(d.controls, random)?.id ?? "", { label: oneOf(d.controls, random)?.label }),
  (d, random) => unwire(d, some(elementIds(d), 0.15, random)),
  (d, random) => wireAs(d, oneOf(circuitKinds, random).kind, some(elementIds(d), 0.4, random)),
  (d, random) => wireNew(d, oneOf(circuitKinds, random).kind, some(elementIds(d), 0.2, random)),
  (d) => setDiodes(d, "none"),
  (d, random) => setReversed(d, some(elementIds(d), 0.2, random), true),
  (d, random) => chooseController(d, oneOf(controllerCatalogue, random).id),
  (d, random) =>
    moveController(d, { xMm: 200 * random(), yMm: 100 * random(), side: random() < 0.5 ? "under" : "top" }),
  (d, random) => freePin(d, oneOf(Object.keys(d.pinPlan), random) ?? ""),
  (d, random) =>
    movePin(d, oneOf(derive(d).signalNets, random)?.id ?? "", oneOf(derive(d).profile?.pins ?? [], random)?.name ?? ""),
  (d) => ({ ...d, reportSet: { ...d.reportSet, interfaces: [] } }),
  (d, random) => addLayer(d, `layer${Math.floor(random() * 1e6)}`, "One more"),
  (d, random) => removeLayer(d, oneOf(d.keymap.layers, random).id),
  (d, random) => bind(d, d.keymap.layers[0].id, oneOf(derive(d).inputs, random)?.id ?? "gone", null),
  (d, random) => {
    const input = oneOf(derive(d).inputs, random);
    return input
      ? bind(d, d.keymap.layers[0].id, input.id, { does: "stay-layer", layerId: d.keymap.layers.at(-1)!.id })
      : d;
  },
  (d, random) => changeBoard(d, d.boards[0].id, { plate: { material: "acrylic", thicknessMm: 0.4 + 6 * random() } }),
  (d, random) => {
    const second = addBoard(d, `board${Math.floor(random() * 1e6)}`, "Other", "module");
    const there = second.boards.at(-1)!.id;
    const moved = {
      ...second,
      controls: second.controls.map((c, nth) =>
        nth % 3 === 0 ? { ...c, placement: { ...c.placement, boardId: there } } : c,
      ),
    };
    return random() < 0.5 ? (moved as Design) : addLink(moved as Design, `link${there}`, d.boards[0].id, there, []);
  },
  (d, random) => setTiming(d, { settleUs: Math.floor(4 * random()) }),
];

/** A design after a few of them, each as the gate lets it through. */
export function mistreated(start: Design, seed: number): Design {
  const random = randomFrom(seed);
  let design = start;
  for (let step = 0; step < 5; step++) {
    const next = oneOf(mischief, random)(design, random);
    if (!refusalOf(next, design)) design = next;
  }
  return design;
}
