import { text, between, listOf, z, whole } from "../schema";
import { controllerProfileSchema } from "../catalogue/controllers/controllerProfile";
import { controlSchema } from "../catalogue/kinds";
import { idSchema, placementSchema } from "../catalogue/kinds/controlKind";
import { partListSchema } from "../catalogue/parts/part";
import { briefSchema } from "./wish";
import { buildSchema } from "./buildSettings";
import { capSetSchema, colourGroupSchema } from "./capSet";
import { caseSchema } from "./caseSettings";
import { circuitSchema } from "../circuits";
import { axisUseSchema } from "../axisUses";
import { ENDPOINTS_THERE_CAN_BE } from "../hid/endpointPlan";
import { interfaceKinds } from "../hid/interfaceKinds";
import { padSettingsSchema } from "../hid/padShape";
import { packetSettingsSchema } from "../hid/packetSettings";
import { padPortSettingsSchema } from "../hid/padPortSettings";
import { panelSettingsSchema } from "../hid/panelSettings";
import { languageIds } from "../languages/ids";
import { axisSchema } from "./axes";
import { displayPageSchema } from "./displayPages";
import { segmentShowSchema } from "./segmentShows";
import { glowListSchema } from "./glows";
import { MOST_ENTRIES, journalEntrySchema } from "./journalSettings";
import { knobSchema } from "./knobs";
import { lampLookSchema } from "./lampLooks";
import { lampRuleSchema } from "./lampRule";
import { macroListSchema } from "./macros";
import { partLinkListSchema } from "./partLinks";
import { bringUpSchema } from "./bringUpSettings";
import { purchaseSchema } from "./purchaseSettings";
import { makingSchema, plateSchema } from "./makingSettings";
import { reachSchema } from "./reachSettings";
import { shapeSchema } from "../shapes";
import { bindingSchema } from "../bindings";
import { oppositeListSchema, togetherListSchema } from "./keyRules";
import { busSettingsSchema, supplySchema } from "./supplySettings";
import { timingSchema } from "./debounce";
import { pinWishesSchema } from "./pinWishes";
import { wireSettingsSchema } from "./wireSettings";

export const DESIGN_FORMAT = "ovrin-design";
export const DESIGN_VERSION = 8;
export const MOST_CONTROLS = 1000;

const nameSchema = text(1, 80);

const cornerSchema = z.strictObject({ xMm: between(-3000, 3000), yMm: between(-3000, 3000) });

export const outlineFollows = ["rectangle", "close", "hull"] as const;

/** A physical part that carries controls. Its outline follows its controls at a margin, or is drawn. */
export const boardSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(["panel", "half", "module", "loose"]),
  marginMm: between(0, 50),
  cornerRadiusMm: between(0, 50),
  /** How an edge that is not drawn follows the controls: as a rectangle, closely, or as their hull. */
  follows: z.enum(outlineFollows),
  /** Corners of a drawn outline on the mat; null for one that follows the controls. */
  outline: z.nullable(listOf(cornerSchema, 400, 3)),
  plate: plateSchema,
  /** Whether the case carries the plate along its edge. */
  edgeCarried: z.boolean(),
});
export type Board = z.infer<typeof boardSchema>;

/** What joins two boards, conductor by conductor. */
const linkSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(["cable", "ribbon", "magnetic"]),
  fromBoardId: idSchema,
  toBoardId: idSchema,
  conductors: listOf(text(1, 40), 100),
});

/** A controller module of a class, and where it lies: its parts side up on the mat, or under the board. */
/** Most controllers of a design. */
export const MOST_CONTROLLERS = 8;

const controllerSchema = z.strictObject({
  id: idSchema,
  profileId: idSchema,
  placement: placementSchema,
  side: z.enum(["top", "under"]),
  /** Its part is a device of its own, with its own plug into the computer; left out where it is not. */
  ownPlug: z.optional(z.literal(true)),
});
export type Controller = z.infer<typeof controllerSchema>;

/** Controls that a start shape placed and can place again. */
const groupSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: text(1, 20),
  at: placementSchema,
  shape: shapeSchema,
  /** In the order of the shape's slots; "" where the control was removed. */
  members: listOf(text(0, 40), 1000),
});
export type Group = z.infer<typeof groupSchema>;

const pinChoiceSchema = z.strictObject({ controllerId: idSchema, pin: text(1, 12), locked: z.boolean() });

const layerSchema = z.strictObject({
  id: idSchema,
  name: text(1, 40),
  /** By input id. An input that is missing does what the layer beneath says. */
  bindings: z.record(z.string(), bindingSchema),
  /** What each axis does, by its element. One that is missing does what the layer beneath says. */
  axes: z.optional(z.record(z.string(), axisUseSchema)),
  /** What segment displays show, by control id. One that is missing shows what the layer beneath says. */
  segments: z.optional(z.record(z.string(), segmentShowSchema)),
  /** Pages of displays, by control id. One that is missing is that of the layer beneath. */
  displays: z.optional(z.record(z.string(), displayPageSchema)),
});
export type Layer = z.infer<typeof layerSchema>;

const keymapSchema = z.strictObject({
  /** How the host reads the usages: which keyboard language it is set to. */
  hostLanguage: z.enum(languageIds),
  /** The first layer is the base. */
  layers: listOf(layerSchema, 16, 1),
  /** What each lamp shows, by control id. */
  lamps: z.record(z.string(), lampRuleSchema),
  /** How it is seen, by control id, where it is not simply lit. */
  looks: z.optional(z.record(z.string(), lampLookSchema)),
  /** Keys that do another thing together. */
  together: z.optional(togetherListSchema),
  /** Directions that cannot be meant at once. */
  opposites: z.optional(oppositeListSchema),
  /** Steps that the device does by itself. */
  macros: z.optional(macroListSchema),
  /** What is told of a knob's steps, by the element that is turned, where it is not as usual. */
  knobs: z.optional(z.record(z.string(), knobSchema)),
  /** How voltages are read, by the element, where it is not as usual. */
  axes: z.optional(z.record(z.string(), axisSchema)),
  /** What addressable lights show, from the lowest to what lies on top. */
  glows: z.optional(glowListSchema),
});

export const reportSetSchema = z.strictObject({
  productName: text(1, 60),
  maker: text(1, 60),
  /** Who the device says it is (USB 2.0, section 9.6.1). */
  vendorId: whole(1, 0xffff),
  productId: whole(0, 0xffff),
  interfaces: listOf(z.enum(interfaceKinds), interfaceKinds.length),
  /** At most so many endpoints are taken, where the person wants fewer than the chip has. */
  endpointsMost: z.optional(whole(1, ENDPOINTS_THERE_CAN_BE)),
  /** Elements of the two switches that unlock live changes, where the person chose them. */
  unlock: z.optional(listOf(idSchema, 2, 2)),
  /** The keyboard's report tells every key behind the six of the boot layout. */
  everyKey: z.optional(z.boolean()),
  /** The game pad, where it is not as usual. */
  pad: z.optional(padSettingsSchema),
  /** What the computer can tell it, by name. */
  panel: z.optional(panelSettingsSchema),
  /** What a radio sends, where it is not as usual. */
  packet: z.optional(packetSettingsSchema),
  /** How a serial pad port is read, where it is not as usual. */
  padPort: z.optional(padPortSettingsSchema),
});

export const designSchema = z.strictObject({
  format: z.literal(DESIGN_FORMAT),
  version: z.literal(DESIGN_VERSION),
  id: idSchema,
  name: nameSchema,
  note: text(0, 2000),
  brief: briefSchema,
  pitch: z.strictObject({ xMm: between(5, 60), yMm: between(5, 60) }),
  boards: listOf(boardSchema, 40, 1),
  links: listOf(linkSchema, 60),
  groups: listOf(groupSchema, 200),
  /** Parts the person described, beside those of the catalogue. */
  parts: partListSchema,
  colourGroups: listOf(colourGroupSchema, 30),
  capSets: listOf(capSetSchema, 20),
  reach: reachSchema,
  making: makingSchema,
  controls: listOf(controlSchema, MOST_CONTROLS),
  circuits: listOf(circuitSchema, 40),
  /** Where the person laid added parts, by their id; the others lie among what they serve. */
  chipPlaces: z.record(z.string(), cornerSchema),
  controllers: listOf(controllerSchema, MOST_CONTROLLERS),
  /** Lines on which controllers tell each other. */
  partLinks: z.optional(partLinkListSchema),
  /** Controller classes the person wrote, beside those of the catalogue. */
  profiles: listOf(controllerProfileSchema, 40),
  /** By net id. */
  pinPlan: z.record(z.string(), pinChoiceSchema),
  pinWishes: pinWishesSchema,
  wires: wireSettingsSchema,
  supply: supplySchema,
  /** Two-wire buses that are not as usual. */
  buses: listOf(busSettingsSchema, 4),
  keymap: keymapSchema,
  reportSet: reportSetSchema,
  timing: timingSchema,
  /** How it is made, where that is not as usual or has begun. */
  build: z.optional(buildSchema),
  /** What tests told of the built device; left out before the first. */
  bringUp: z.optional(bringUpSchema),
  /** The case that is made for it, where somebody chose one. */
  case: z.optional(caseSchema),
  /** What is bought of whom, once somebody has said. */
  purchase: z.optional(purchaseSchema),
  journal: listOf(journalEntrySchema, MOST_ENTRIES),
});

/** The one document of a device: what a person decided, nothing that can be derived. */
export type Design = z.infer<typeof designSchema>;
