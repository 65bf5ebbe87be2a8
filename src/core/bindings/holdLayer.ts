import { z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const holdLayerSchema = z.strictObject({ does: z.literal("hold-layer"), layerId: idSchema });
export type HoldLayerBinding = z.infer<typeof holdLayerSchema>;

export const holdLayer: BindingKind<HoldLayerBinding> = {
  does: "hold-layer",
  schema: holdLayerSchema,
  action: ACTION.HOLD_LAYER,
  decode: ({ value }, { layerId }) => ({ does: "hold-layer", layerId: layerId(value) }),
  report: null,
  phrase: (binding, context) => `hold for ${context.layerName(binding.layerId)}`,
  encode: (binding, context) => ({
    kind: ACTION.HOLD_LAYER,
    modifiers: 0,
    value: context.layerIndex(binding.layerId),
  }),
  leads: ({ layerId }) => ({ layerId, lasting: "held" }),
};
