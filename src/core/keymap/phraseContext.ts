import type { PhraseContext } from "../bindings/bindingKind";
import type { Design } from "../document/schema";
import { consumerUsageNamed } from "../hid/consumerUsages";
import { keyboardUsageNamed, modifierNames } from "../hid/keyboardUsages";

/** Names of a design's layers and of all usages, for phrases. */
export function phraseContextOf({ keymap: { layers, macros = [] } }: Design): PhraseContext {
  return {
    layerName: (id) => layers.find((layer) => layer.id === id)?.name ?? "a layer that is gone",
    macroName: (id) => macros.find((macro) => macro.id === id)?.name ?? "a macro that is gone",
    keyboardUsage: (usage, modifiers) => [...modifierNames(modifiers), keyboardUsageNamed(usage)].join(" + "),
    consumerUsage: consumerUsageNamed,
    modifiers: (bits) => modifierNames(bits).join(" + "),
  };
}
