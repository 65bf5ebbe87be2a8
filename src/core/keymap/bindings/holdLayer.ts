import { z } from "../../schema";
import { idSchema } from "../../catalogue/kinds/controlKind";
import type { BindingKind } from "./bindingKind";

const holdLayerSchema = z.strictObject({ does: z.literal("hold-layer"), layerId: idSchema });
export type HoldLayerBinding = z.infer<typeof holdLayerSchema>;

export const holdLayer: BindingKind<HoldLayerBinding> = {
  does: "hold-layer",
  schema: holdLayerSchema,
  phrase: (binding, context) => `hold for ${context.layerName(binding.layerId)}`,
  encode: (binding, context) => ({ kind: 4, modifiers: 0, value: context.layerIndex(binding.layerId) }),
};
