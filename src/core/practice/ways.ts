import { leadsOf, typedBy } from "../bindings";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type HostLanguage, SHIFTS, THIRD_LEVEL, deadKeyOf, deedOf } from "../languages/hostLanguage";

/** How a sign is typed on a device: the input pressed, what is held meanwhile, and the layer that it stands on. */
export interface Way {
  inputId: string;
  controlId: string;
  /** Inputs held: the key of a layer, Shift, the key of the third level. */
  heldIds: string[];
  layer: number;
}

const LEFT_SHIFT = 0x02;
const SHIFT_USAGES = [0xe1, 0xe5];
const THIRD_USAGE = 0xe6;

/** The inputs of the base layer that hold a layer, Shift, or the key of the third level. */
function holders(design: Design, pressed: ReadonlyMap<string, string>) {
  const [base] = design.keymap.layers;
  const own = Object.entries(base.bindings).filter(([id]) => pressed.has(id));
  const layerBy = new Map<string, string>();
  for (const [id, binding] of own)
    for (const { layerId, lasting } of leadsOf(binding))
      if (lasting === "held" && !layerBy.has(layerId)) layerBy.set(layerId, id);
  const plain = (usages: number[]) =>
    own.find(([, binding]) => binding.does === "keyboard" && usages.includes(binding.usage))?.[0];
  return { layerBy, shift: plain(SHIFT_USAGES), third: plain([THIRD_USAGE]) };
}

/**
 * How each sign is typed with the present keymap on a computer set to a language: with the fewest held keys, the lowest layer first. Signs that
 * want a dead key first are left out.
 */
export function waysOf(design: Design, language: HostLanguage): Map<string, Way> {
  const pressed = new Map(
    derive(design)
      .inputs.filter(({ motion }) => motion === "press")
      .map(({ id, controlId }) => [id, controlId]),
  );
  const { layerBy, shift, third } = holders(design, pressed);
  const found = new Map<string, Way>();
  design.keymap.layers.forEach(({ id: layerId, bindings }, layer) => {
    const holder = layer === 0 ? [] : layerBy.has(layerId) ? [layerBy.get(layerId)!] : null;
    if (!holder) return;
    for (const [inputId, binding] of Object.entries(bindings)) {
      const controlId = pressed.get(inputId);
      const typed = typedBy(binding);
      if (controlId === undefined || !typed) continue;
      const add = (modifiers: number, more: (string | undefined)[]) => {
        if (more.includes(undefined) || more.includes(inputId)) return;
        const sign = deedOf(language, typed.usage, typed.modifiers | modifiers);
        if (!sign || deadKeyOf(sign) !== null) return;
        const heldIds = [...holder, ...(more as string[])];
        const known = found.get(sign);
        if (!known || heldIds.length < known.heldIds.length) found.set(sign, { inputId, controlId, heldIds, layer });
      };
      add(0, []);
      if ((typed.modifiers & SHIFTS) === 0) add(LEFT_SHIFT, [shift]);
      if (language.third && (typed.modifiers & THIRD_LEVEL) === 0) {
        add(THIRD_LEVEL, [third]);
        add(THIRD_LEVEL | LEFT_SHIFT, [third, shift]);
      }
    }
  });
  return found;
}
