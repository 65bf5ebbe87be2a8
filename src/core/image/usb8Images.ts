import { LOADER_AT } from "../contract/board";
import type { Design } from "../document/schema";
import { type FirmwareFeature, featureWords, featuresOf } from "../firmware/features";
import type { ScanTable } from "../firmware/scanTable";

/** One prebuilt image of the 8-bit USB class: what it can beside the rest, and where in flash the board block and the tables are. */
export interface Usb8Image {
  id: string;
  with: readonly FirmwareFeature[];
  boardAt: number;
  tablesAt: number;
}

/**
 * A chip's flash does not take everything at once, so there is an image for what is wished together. The less an image can, the more
 * room it leaves to the keymap. Code that outgrows its place stops the build.
 */
export const usb8Images = [
  { id: "plain", with: [], boardAt: 0x4700, tablesAt: 0x4d00 },
  { id: "pointer", with: ["live", "pointer"], boardAt: 0x5c00, tablesAt: 0x6200 },
  { id: "lights", with: ["lights", "live"], boardAt: 0x5f00, tablesAt: 0x6500 },
  { id: "lights-pointer", with: ["lights", "pointer"], boardAt: 0x5900, tablesAt: 0x5f00 },
  { id: "all", with: ["lights", "live", "pointer"], boardAt: 0x6600, tablesAt: 0x6a80 },
] as const satisfies Usb8Image[];
export type ImageId = (typeof usb8Images)[number]["id"];

export const boardBytesMost = ({ boardAt, tablesAt }: Usb8Image): number => tablesAt - boardAt;
export const tableBytesMost = ({ tablesAt }: Usb8Image): number => LOADER_AT - tablesAt;

/** The image that can all that is wished and leaves the most room to the tables. One can everything, so there always is one. */
export function imageWith(features: FirmwareFeature[]): (typeof usb8Images)[number] {
  const able = usb8Images.filter((image) => features.every((one) => image.with.some((own) => own === one)));
  return able.reduce((best, image) => (image.tablesAt < best.tablesAt ? image : best));
}

export const imageFor = (design: Design, scan: ScanTable) => imageWith(featuresOf(design, scan));

/** What a design could give up for more room, in words: "without live changes there are 4608". */
export function roomWithout(design: Design, scan: ScanTable): string[] {
  const features = featuresOf(design, scan);
  const now = tableBytesMost(imageWith(features));
  return features.flatMap((feature) => {
    const most = tableBytesMost(imageWith(features.filter((one) => one !== feature)));
    return most > now ? [`without ${featureWords[feature]} there are ${most}`] : [];
  });
}
