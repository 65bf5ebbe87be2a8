import { z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const switchLayerSchema = z.strictObject({ does: z.literal("switch-layer"), layerId: idSchema });
export type SwitchLayerBinding = z.infer<typeof switchLayerSchema>;

/** One press switches a layer on, the next one off; what else is held or stayed on does not matter. */
export const switchLayer: BindingKind<SwitchLayerBinding> = {
  does: "switch-layer",
  schema: switchLayerSchema,
  action: ACTION.SWITCH_LAYER,
  decode: ({ value }, { layerId }) => ({ does: "switch-layer", layerId: layerId(value) }),
  report: null,
  phrase: ({ layerId }, context) => `switch ${context.layerName(layerId)} on or off`,
  encode: ({ layerId }, context) => ({ kind: ACTION.SWITCH_LAYER, modifiers: 0, value: context.layerIndex(layerId) }),
  leads: ({ layerId }) => ({ layerId, lasting: "switched" }),
};
