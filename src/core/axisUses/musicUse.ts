import { AXIS_DO } from "../contract/axes";
import { MUSIC, MUSIC_AXIS } from "../contract/music";
import { LAST_CONTROLLER, LAST_FINE_CONTROLLER, controllerName } from "../hid/musicWords";
import { whole, z } from "../schema";
import type { AxisUseKind } from "./axisUseKind";

const schema = z.strictObject({
  does: z.literal("music"),
  /** A controller of 7 bits, one of 14 whose fine part is 32 above it, or the bender of the pitch. */
  tells: z.enum(["controller", "fine", "bend"]),
  controller: whole(0, LAST_CONTROLLER),
  channel: whole(0, MUSIC.CHANNELS - 1),
});
export type MusicUse = z.infer<typeof schema>;

const HOW: Record<MusicUse["tells"], number> = { controller: 0, fine: MUSIC_AXIS.FINE, bend: MUSIC_AXIS.BEND };

/** Those of 14 bits are 0 to 31; of others the highest that has a fine part is told. */
const numberOf = ({ tells, controller }: MusicUse) =>
  tells === "fine" ? Math.min(controller, LAST_FINE_CONTROLLER) : controller;

/** Its place is a controller of music, or bends the pitch. */
export const musicUse: AxisUseKind<MusicUse> = {
  does: "music",
  title: "Controller or pitch of music",
  schema,
  fresh: (end) =>
    end === "x"
      ? { does: "music", tells: "bend", controller: 1, channel: 0 }
      : { does: "music", tells: "controller", controller: end === "y" ? 1 : 7, channel: 0 },
  phrase: (use) => {
    const what = use.tells === "bend" ? "the pitch" : controllerName(numberOf(use));
    return `${what}${use.tells === "fine" ? " in 14 bits" : ""}${use.channel === 0 ? "" : ` on channel ${use.channel + 1}`}`;
  },
  report: "music",
  encode: (use) => ({
    does: AXIS_DO.MUSIC,
    which: use.channel,
    speed: (use.tells === "bend" ? 0 : numberOf(use)) | (HOW[use.tells] << 8),
  }),
};
