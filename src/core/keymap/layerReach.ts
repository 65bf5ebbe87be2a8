import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { leadOf } from "../bindings";

/** Where the device can be: the default layer, and the layers held, as bits by their number. */
interface LayerState {
  defaultLayer: number;
  held: number;
}

interface Move {
  inputId: string;
  to: LayerState;
}

/** States looked at; a keymap with more ways through its layers than that is taken for sound. */
const MOST_STATES = 4096;

/** The binding that answers an input: of the highest held layer that has one, else of the default layer, else of the base. */
function answering(design: Design, { defaultLayer, held }: LayerState, inputId: string) {
  const { layers } = design.keymap;
  for (let number = layers.length - 1; number >= 0; number--) {
    if ((held >> number) & 1 && Object.hasOwn(layers[number].bindings, inputId))
      return layers[number].bindings[inputId];
  }
  const own = (number: number) =>
    Object.hasOwn(layers[number].bindings, inputId) ? layers[number].bindings[inputId] : undefined;
  return own(defaultLayer) ?? own(0);
}

function movesFrom(design: Design, inputIds: string[], state: LayerState): Move[] {
  return inputIds.flatMap((inputId) => {
    const binding = answering(design, state, inputId);
    const lead = binding && leadOf(binding);
    const number = lead ? design.keymap.layers.findIndex(({ id }) => id === lead.layerId) : -1;
    if (!lead || number < 0) return [];
    if (lead.lasting === "held") return [{ inputId, to: { ...state, held: state.held | (1 << number) } }];
    // What is held can be let go, and then the new layer is the default one.
    return [
      { inputId, to: { defaultLayer: number, held: state.held } },
      { inputId, to: { defaultLayer: number, held: 0 } },
    ];
  });
}

interface Walk {
  states: LayerState[];
  /** Inputs by which each default layer was entered, by the layer's number. */
  enteredBy: Map<number, Set<string>>;
  isWhole: boolean;
}

/** Every state that some presses of inputs that exist lead to. */
function walkFrom(design: Design, start: LayerState): Walk {
  const inputIds = derive(design).inputs.map(({ id }) => id);
  const keyOf = ({ defaultLayer, held }: LayerState) => `${defaultLayer} ${held}`;
  const seen = new Map([[keyOf(start), start]]);
  const enteredBy = new Map<number, Set<string>>();
  const open = [start];
  for (let state = open.pop(); state && seen.size <= MOST_STATES; state = open.pop()) {
    for (const { inputId, to } of movesFrom(design, inputIds, state)) {
      if (to.defaultLayer !== state.defaultLayer)
        enteredBy.set(to.defaultLayer, (enteredBy.get(to.defaultLayer) ?? new Set()).add(inputId));
      if (seen.has(keyOf(to))) continue;
      seen.set(keyOf(to), to);
      open.push(to);
    }
  }
  return { states: [...seen.values()], enteredBy, isWhole: seen.size <= MOST_STATES };
}

const START: LayerState = { defaultLayer: 0, held: 0 };

/** Layers that some chain of presses from the base reaches, by inputs that the device has. */
export function reachableLayers(design: Design): Set<string> {
  const { layers } = design.keymap;
  const { states, isWhole } = walkFrom(design, START);
  if (!isWhole) return new Set(layers.map(({ id }) => id));
  const reached = states.flatMap(({ defaultLayer, held }) =>
    layers.filter((_, number) => number === defaultLayer || (held >> number) & 1).map(({ id }) => id),
  );
  return new Set(reached);
}

/** Default layers from which no presses lead back to the base, with the inputs that enter them. */
export function layersWithoutReturn(design: Design): { layerId: string; enteredBy: string[] }[] {
  const { layers } = design.keymap;
  const { enteredBy } = walkFrom(design, START);
  return [...enteredBy].flatMap(([defaultLayer, inputs]) => {
    if (defaultLayer === 0) return [];
    const { states, isWhole } = walkFrom(design, { defaultLayer, held: 0 });
    if (!isWhole || states.some((state) => state.defaultLayer === 0)) return [];
    return [{ layerId: layers[defaultLayer].id, enteredBy: [...inputs] }];
  });
}
