import { LOADER_AT } from "../contract/board";
import type { Design } from "../document/schema";
import type { ScanTable } from "../firmware/scanTable";

/** What the code of an image can be compiled without (firmware/src/with.h). */
export const imageFeatures = ["lights", "live", "pointer"] as const;
export type ImageFeature = (typeof imageFeatures)[number];

/** One prebuilt image of the 8-bit USB class: what it can beside the rest, and where in flash the board block and the tables are. */
export interface Usb8Image {
  id: string;
  with: readonly ImageFeature[];
  boardAt: number;
  tablesAt: number;
}

/**
 * A chip's flash does not take everything at once, so there is an image for what is wished together. The less an image can, the more
 * room it leaves to the keymap. Code that outgrows its place stops the build.
 */
export const usb8Images = [
  { id: "plain", with: [], boardAt: 0x4700, tablesAt: 0x4d00 },
  { id: "pointer", with: ["live", "pointer"], boardAt: 0x5b00, tablesAt: 0x6100 },
  { id: "lights", with: ["lights", "live"], boardAt: 0x5e00, tablesAt: 0x6400 },
  { id: "lights-pointer", with: ["lights", "pointer"], boardAt: 0x5800, tablesAt: 0x5e00 },
  { id: "all", with: ["lights", "live", "pointer"], boardAt: 0x6400, tablesAt: 0x6880 },
] as const satisfies Usb8Image[];
export type ImageId = (typeof usb8Images)[number]["id"];

export const boardBytesMost = ({ boardAt, tablesAt }: Usb8Image): number => tablesAt - boardAt;
export const tableBytesMost = ({ tablesAt }: Usb8Image): number => LOADER_AT - tablesAt;

/** What of the features a design wants. */
export function featuresOf({ reportSet }: Design, { chains }: ScanTable): ImageFeature[] {
  const wants: Record<ImageFeature, boolean> = {
    lights: chains.length > 0,
    live: reportSet.interfaces.includes("live"),
    pointer: reportSet.interfaces.includes("pointer"),
  };
  return imageFeatures.filter((feature) => wants[feature]);
}

/** The image that can all that is wished and leaves the most room to the tables. One can everything, so there always is one. */
export function imageWith(features: ImageFeature[]): (typeof usb8Images)[number] {
  const able = usb8Images.filter((image) => features.every((one) => image.with.some((own) => own === one)));
  return able.reduce((best, image) => (image.tablesAt < best.tablesAt ? image : best));
}

export const imageFor = (design: Design, scan: ScanTable) => imageWith(featuresOf(design, scan));

const FEATURE_WORDS: Record<ImageFeature, string> = {
  lights: "addressable lights",
  live: "live changes",
  pointer: "the pointer",
};

/** What a design could give up for more room, in words: "without live changes there are 4608". */
export function roomWithout(design: Design, scan: ScanTable): string[] {
  const features = featuresOf(design, scan);
  const now = tableBytesMost(imageWith(features));
  return features.flatMap((feature) => {
    const most = tableBytesMost(imageWith(features.filter((one) => one !== feature)));
    return most > now ? [`without ${FEATURE_WORDS[feature]} there are ${most}`] : [];
  });
}
