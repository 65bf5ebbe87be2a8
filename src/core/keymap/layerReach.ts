import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type Binding, jobsOf, leadsOf } from "../bindings";
import type { LayerLead } from "../bindings/bindingKind";

/** Where the device can be: the default layer, and the layers held and those switched on, as bits by their number. */
interface LayerState {
  defaultLayer: number;
  held: number;
  on: number;
}

interface Move {
  inputId: string;
  to: LayerState;
}

/** States looked at; a keymap with more ways through its layers than that is taken for sound. */
const MOST_STATES = 4096;

/** The binding that answers an input: of the highest held layer that has one, else of the default layer, else of the base. */
function answering(design: Design, { defaultLayer, held, on }: LayerState, inputId: string) {
  const { layers } = design.keymap;
  for (let number = layers.length - 1; number >= 0; number--) {
    if (((held | on) >> number) & 1 && Object.hasOwn(layers[number].bindings, inputId))
      return layers[number].bindings[inputId];
  }
  const own = (number: number) =>
    Object.hasOwn(layers[number].bindings, inputId) ? layers[number].bindings[inputId] : undefined;
  return own(defaultLayer) ?? own(0);
}

/** A macro leads where its steps do. */
function allLeads({ keymap: { macros = [] } }: Design, binding: Binding): LayerLead[] {
  const played = jobsOf(binding).flatMap((job) =>
    job.does === "macro" ? (macros.find(({ id }) => id === job.macroId)?.steps ?? []) : [],
  );
  const steps = played.flatMap((step): LayerLead[] =>
    step.step === "layer" ? [{ layerId: step.layerId, lasting: step.way === "stay" ? "stays" : "switched" }] : [],
  );
  return [...leadsOf(binding), ...steps];
}

function movesFrom(design: Design, inputIds: string[], state: LayerState): Move[] {
  return inputIds.flatMap((inputId) => {
    const binding = answering(design, state, inputId);
    return binding ? allLeads(design, binding).flatMap((lead) => movesOf(design, state, inputId, lead)) : [];
  });
}

function movesOf(design: Design, state: LayerState, inputId: string, { layerId, lasting }: LayerLead): Move[] {
  const number = design.keymap.layers.findIndex(({ id }) => id === layerId);
  if (number < 0) return [];
  if (lasting === "held") return [{ inputId, to: { ...state, held: state.held | (1 << number) } }];
  const to = lasting === "switched" ? { ...state, on: state.on ^ (1 << number) } : { ...state, defaultLayer: number };
  // What is held can be let go, and then the new layer speaks.
  return [
    { inputId, to },
    { inputId, to: { ...to, held: 0 } },
  ];
}

interface Walk {
  states: LayerState[];
  /** Inputs by which each default layer was entered, or each layer switched on, by the layer's number. */
  enteredBy: Map<number, Set<string>>;
  switchedBy: Map<number, Set<string>>;
  isWhole: boolean;
}

/** Every state that some presses of inputs that exist lead to. */
function walkFrom(design: Design, start: LayerState): Walk {
  const inputIds = derive(design).bindable.map(({ id }) => id);
  const keyOf = ({ defaultLayer, held, on }: LayerState) => `${defaultLayer} ${held} ${on}`;
  const seen = new Map([[keyOf(start), start]]);
  const enteredBy = new Map<number, Set<string>>();
  const switchedBy = new Map<number, Set<string>>();
  const note = (entered: Map<number, Set<string>>, number: number, inputId: string) =>
    entered.set(number, (entered.get(number) ?? new Set()).add(inputId));
  const open = [start];
  for (let state = open.pop(); state && seen.size <= MOST_STATES; state = open.pop()) {
    for (const { inputId, to } of movesFrom(design, inputIds, state)) {
      if (to.defaultLayer !== state.defaultLayer) note(enteredBy, to.defaultLayer, inputId);
      if (to.on & ~state.on) note(switchedBy, Math.log2(to.on & ~state.on), inputId);
      if (seen.has(keyOf(to))) continue;
      seen.set(keyOf(to), to);
      open.push(to);
    }
  }
  return { states: [...seen.values()], enteredBy, switchedBy, isWhole: seen.size <= MOST_STATES };
}

const START: LayerState = { defaultLayer: 0, held: 0, on: 0 };

/** Layers that some chain of presses from the base reaches, by inputs that the device has. */
export function reachableLayers(design: Design): Set<string> {
  const { layers } = design.keymap;
  const { states, isWhole } = walkFrom(design, START);
  if (!isWhole) return new Set(layers.map(({ id }) => id));
  const reached = states.flatMap(({ defaultLayer, held, on }) =>
    layers.filter((_, number) => number === defaultLayer || ((held | on) >> number) & 1).map(({ id }) => id),
  );
  return new Set(reached);
}

interface Trap {
  layerId: string;
  enteredBy: string[];
}

/** Layers one stays on without a way back to the base, or switches on without one to switch them off, and by which inputs. */
export function layersWithoutReturn(design: Design): Trap[] {
  const { layers } = design.keymap;
  const { enteredBy, switchedBy } = walkFrom(design, START);
  const traps = (
    entered: Map<number, Set<string>>,
    from: (n: number) => LayerState,
    isOut: (s: LayerState, n: number) => boolean,
  ) =>
    [...entered].flatMap(([number, inputs]): Trap[] => {
      const { states, isWhole } = walkFrom(design, from(number));
      if (!isWhole || states.some((state) => isOut(state, number))) return [];
      return [{ layerId: layers[number].id, enteredBy: [...inputs] }];
    });
  enteredBy.delete(0);
  return [
    ...traps(
      enteredBy,
      (defaultLayer) => ({ ...START, defaultLayer }),
      (state) => state.defaultLayer === 0,
    ),
    ...traps(
      switchedBy,
      (number) => ({ ...START, on: 1 << number }),
      (state, number) => !((state.on >> number) & 1),
    ),
  ];
}
