import { idSchema } from "../catalogue/kinds/controlKind";
import { listOf, z } from "../schema";

/**
 * A plug that goes in one way only, or a row of pins that can be put on either way round. The order of conductors is the same at both ends.
 */
export const linkPlugs = ["keyed", "either-way"] as const;

/** How modules on a bus tell that they have something to say: all on one line, or each on a line of its own. */
export const moduleCalls = ["shared", "own"] as const;

/**
 * Two controllers of a device that tell each other: the main one's end and the other's. Over a serial line, or, where it says how the other one calls,
 * over the main one's two-wire bus, with an address that follows from its place among the controllers.
 */
const partLinkSchema = z.strictObject({
  id: idSchema,
  nearId: idSchema,
  farId: idSchema,
  plug: z.enum(linkPlugs),
  calls: z.optional(z.enum(moduleCalls)),
});
export type PartLink = z.infer<typeof partLinkSchema>;

export const isModule = ({ calls }: PartLink): boolean => calls !== undefined;

/** Whether a device's parts are a main one and modules on its bus. */
export const isOnBus = ({ partLinks = [] }: { partLinks?: PartLink[] }): boolean => partLinks.some(isModule);

/** Whether a serial line joins two parts. */
export const isOnLine = ({
  controllers,
  partLinks = [],
}: {
  controllers: unknown[];
  partLinks?: PartLink[];
}): boolean => controllers.length === 2 && partLinks.length === 1 && !isModule(partLinks[0]);

export const partLinkListSchema = listOf(partLinkSchema, 7);

/** Whether each part is a device of its own: all controllers beside the main one have a plug of their own. */
export const isSeveralDevices = ({
  controllers: [, ...others],
}: {
  controllers: { ownPlug?: true | undefined }[];
}): boolean => others.length > 0 && others.every(({ ownPlug }) => ownPlug === true);
