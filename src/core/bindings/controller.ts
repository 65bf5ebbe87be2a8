import { ACTION } from "../contract/contract";
import { LAST_CONTROLLER, controllerName } from "../hid/musicWords";
import { whole, z } from "../schema";
import type { BindingKind } from "./bindingKind";
import { channelSchema, onChannel } from "./note";

const controllerSchema = z.strictObject({
  does: z.literal("controller"),
  controller: whole(0, LAST_CONTROLLER),
  /** While it is held; otherwise 0. */
  value: whole(1, 127),
  channel: channelSchema,
});
export type ControllerBinding = z.infer<typeof controllerSchema>;

const FULL = 127;

/** A controller of music that has a value while its key is held: a pedal, a switch. */
export const controller: BindingKind<ControllerBinding> = {
  does: "controller",
  schema: controllerSchema,
  action: ACTION.CONTROLLER,
  decode: ({ modifiers, value }) => ({
    does: "controller",
    controller: value & 0xff,
    value: value >> 8,
    channel: modifiers,
  }),
  report: "music",
  phrase: ({ controller: number, value, channel }) =>
    `${controllerName(number)}${value === FULL ? "" : ` at ${value}`}${onChannel(channel)}`,
  encode: ({ controller: number, value, channel }) => ({
    kind: ACTION.CONTROLLER,
    modifiers: channel,
    value: number | (value << 8),
  }),
};
