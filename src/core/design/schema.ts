import { z } from "zod";
import { controllerProfileSchema } from "../catalogue/controllers/controllerProfile";
import { controlSchema } from "../catalogue/kinds";
import { idSchema, placementSchema } from "../catalogue/kinds/controlKind";
import { circuitSchema } from "../circuits";
import { interfaceKinds } from "../hid/interfaces";
import { bindingSchema } from "../keymap/bindings";

export const DESIGN_FORMAT = "ovrin-design";
export const DESIGN_VERSION = 2;

const nameSchema = z.string().min(1).max(80);

/** A physical part that carries controls. Its outline follows its controls at a margin. */
const boardSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(["panel", "half", "module", "loose"]),
  marginMm: z.number().min(0).max(50),
});
export type Board = z.infer<typeof boardSchema>;

/** What joins two boards, conductor by conductor. */
const linkSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(["cable", "ribbon", "magnetic"]),
  fromBoardId: idSchema,
  toBoardId: idSchema,
  conductors: z.array(z.string().min(1).max(40)).max(100),
});

/** A controller module of a class, and where it lies: its parts side up on the mat, or under the board. */
const controllerSchema = z.strictObject({
  id: idSchema,
  profileId: idSchema,
  placement: placementSchema,
  side: z.enum(["top", "under"]),
});
export type Controller = z.infer<typeof controllerSchema>;

const pinChoiceSchema = z.strictObject({ controllerId: idSchema, pin: z.string().min(1).max(12), locked: z.boolean() });

const layerSchema = z.strictObject({
  id: idSchema,
  name: z.string().min(1).max(40),
  /** By input id. An input that is missing does what the layer beneath says. */
  bindings: z.record(z.string(), bindingSchema),
});
export type Layer = z.infer<typeof layerSchema>;

const lampRuleSchema = z.discriminatedUnion("when", [
  z.strictObject({ when: z.literal("never") }),
  z.strictObject({ when: z.literal("always") }),
  z.strictObject({ when: z.literal("layer"), layerId: idSchema }),
  z.strictObject({ when: z.literal("lock"), lock: z.enum(["num", "caps", "scroll"]) }),
]);
export type LampRule = z.infer<typeof lampRuleSchema>;

const keymapSchema = z.strictObject({
  /** How the host reads the usages: which keyboard language it is set to. */
  hostLanguage: z.enum(["en-US"]),
  /** The first layer is the base. */
  layers: z.array(layerSchema).min(1).max(16),
  /** What each lamp shows, by control id. */
  lamps: z.record(z.string(), lampRuleSchema),
});

const reportSetSchema = z.strictObject({
  productName: z.string().min(1).max(60),
  interfaces: z.array(z.enum(interfaceKinds)).max(interfaceKinds.length),
});

const timingSchema = z.strictObject({
  /** A change must last this long to count. */
  debounceMs: z.int().min(0).max(50),
  /** From driving a line to reading the others. */
  settleUs: z.int().min(0).max(250),
  /** How long one encoder step is reported as pressed. */
  tapMs: z.int().min(1).max(50),
});

const journalEntrySchema = z.strictObject({
  id: idSchema,
  at: z.iso.datetime(),
  kind: z.enum(["note", "measurement", "regret", "revision"]),
  text: z.string().max(4000),
});

export const designSchema = z.strictObject({
  format: z.literal(DESIGN_FORMAT),
  version: z.literal(DESIGN_VERSION),
  id: idSchema,
  name: nameSchema,
  note: z.string().max(2000),
  pitch: z.strictObject({ xMm: z.number().min(5).max(60), yMm: z.number().min(5).max(60) }),
  boards: z.array(boardSchema).min(1).max(40),
  links: z.array(linkSchema).max(60),
  controls: z.array(controlSchema).max(1000),
  circuits: z.array(circuitSchema).max(40),
  controllers: z.array(controllerSchema).max(8),
  /** Controller classes the person wrote, beside those of the catalogue. */
  profiles: z.array(controllerProfileSchema).max(40),
  /** By net id. */
  pinPlan: z.record(z.string(), pinChoiceSchema),
  keymap: keymapSchema,
  reportSet: reportSetSchema,
  timing: timingSchema,
  journal: z.array(journalEntrySchema).max(5000),
});

/** The one document of a device: what a person decided, nothing that can be derived. */
export type Design = z.infer<typeof designSchema>;
