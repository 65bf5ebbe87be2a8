import { type ControllerProfile, usablePins } from "../../catalogue/controllers/controllerProfile";
import { type PartCounts, jointsOf } from "../../catalogue/prices";
import type { Board, Design } from "../../document/schema";
import type { Wish } from "../../document/wish";
import { counted } from "../../words";
import type { OptionSetting } from "../option";
import type { FarInputs } from "./partLink";

/** One way in which a part that lies apart reaches the computer. */
export interface ApartWay {
  id: string;
  title: string;
  /** What runs between the parts, conductor by conductor. */
  conductors: string[];
  /** Of the near controller, for its own part and this one. */
  pins: { needed: number; had: number };
  /** Added for the far part. */
  parts: PartCounts;
  /** The class of a controller in the far part, or null. */
  controller: string | null;
  /** Its id. */
  profileId: string | null;
  money: number;
  /** To solder for it: added parts, and both ends of each conductor. */
  joints: number;
  /** By how much a press there is told later than one here, in ms. */
  laterMs: { least: number; most: number };
  breaks: string[];
  /** Why it cannot be, or null. */
  lacks: string | null;
}

/** What the ways of one far part are worked out from. */
export interface ApartSetting {
  design: Design;
  near: Board;
  far: Board;
  /** The near controller's class, and the pins that the near part takes of it when it stands alone. */
  profile: ControllerProfile;
  nearPins: number;
  /** The far part's controls. */
  wish: Wish;
  inputs: FarInputs;
  /** Parts that lie apart from the near one, were each a module. */
  modules: number;
  option: OptionSetting;
}

type Worked = Omit<ApartWay, "joints" | "pins"> & { nearPins: number };

/** A way with its joints, and with what it lacks when the near controller's pins run out. */
export function wayOf({ profile }: ApartSetting, { nearPins, ...way }: Worked): ApartWay {
  const pins = { needed: nearPins, had: usablePins(profile).length };
  const over = pins.needed - pins.had;
  const lacks = way.lacks ?? (over > 0 ? `the near controller is short of ${counted(over, "pin")}` : null);
  return { ...way, pins, joints: jointsOf(way.parts) + 2 * way.conductors.length, lacks };
}

/** What every link carries that does not bring its own supply. */
export const SUPPLY = ["supply", "ground"];
