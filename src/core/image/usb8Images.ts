import { LOADER_AT } from "../contract/board";
import type { Design } from "../document/schema";
import { listed } from "../words";
import { type FirmwareFeature, featureWords, featuresOf } from "../firmware/features";
import type { ScanTable } from "../firmware/scanTable";

/** One prebuilt image of the 8-bit USB class: what it can beside the rest, and where in flash the board block and the tables are. */
export interface Usb8Image {
  id: string;
  with: readonly FirmwareFeature[];
  boardAt: number;
  tablesAt: number;
  /** Compiled for size, at the cost of some speed: what has displays is large, and leaves crowded scans alone anyway; tight: still smaller and slower. */
  small?: true | "tight";
}

/**
 * A chip's flash does not take everything at once, so there is an image for what is wished together. The less an image can, the more
 * room it leaves to the keymap. Code that outgrows its place stops the build.
 */
export const usb8Images = [
  { id: "plain", with: ["panel", "tone"], boardAt: 0x4b00, tablesAt: 0x5100 },
  { id: "pointer", with: ["live", "pointer", "tone"], boardAt: 0x5e00, tablesAt: 0x6380 },
  { id: "place", with: ["live", "pointer", "place", "tone"], boardAt: 0x5f00, tablesAt: 0x6500 },
  { id: "lights", with: ["lights", "live", "tone"], boardAt: 0x6180, tablesAt: 0x6780 },
  { id: "lights-pointer", with: ["lights", "pointer", "panel", "tone"], boardAt: 0x5c80, tablesAt: 0x6200 },
  { id: "lights-live-pointer", with: ["lights", "live", "pointer"], boardAt: 0x6800, tablesAt: 0x6b80 },
  { id: "axes", with: ["axes", "pad", "panel", "tone"], boardAt: 0x5780, tablesAt: 0x5d80 },
  { id: "axes-live", with: ["live", "axes", "pad", "tone"], boardAt: 0x6400, tablesAt: 0x6800 },
  { id: "axes-live-pointer", with: ["live", "pointer", "axes", "pad"], boardAt: 0x6a80, tablesAt: 0x6d00 },
  { id: "axes-lights-pointer", with: ["lights", "pointer", "axes", "pad", "panel"], boardAt: 0x6880, tablesAt: 0x6b80 },
  { id: "axes-pointer", with: ["pointer", "place", "axes", "pad", "panel", "tone"], boardAt: 0x6100, tablesAt: 0x6680 },
  { id: "music", with: ["panel", "music", "heard", "tone"], boardAt: 0x5100, tablesAt: 0x5700 },
  { id: "music-live", with: ["live", "music", "tone"], boardAt: 0x5b00, tablesAt: 0x6100 },
  { id: "axes-music", with: ["axes", "panel", "music", "heard", "tone"], boardAt: 0x5c00, tablesAt: 0x6200 },
  { id: "socket", with: ["panel", "music", "heard", "din", "tone"], boardAt: 0x5400, tablesAt: 0x5a00 },
  { id: "socket-live", with: ["live", "music", "din", "tone"], boardAt: 0x5e80, tablesAt: 0x6480 },
  { id: "axes-socket", with: ["axes", "panel", "music", "heard", "din", "tone"], boardAt: 0x5f80, tablesAt: 0x6580 },
  { id: "axes-lights-music", with: ["lights", "axes", "panel", "music", "heard"], boardAt: 0x6600, tablesAt: 0x6a80 },
  { id: "axes-live-music", with: ["live", "axes", "music"], boardAt: 0x6500, tablesAt: 0x6980 },
  { id: "lines", with: ["panel", "lines", "tone"], boardAt: 0x4f80, tablesAt: 0x5580 },
  { id: "lines-segments", with: ["panel", "segments", "lines", "tone"], boardAt: 0x5700, tablesAt: 0x5d00 },
  {
    id: "axes-lines-segments",
    with: ["axes", "pad", "panel", "segments", "lines", "tone"],
    boardAt: 0x6300,
    tablesAt: 0x6880,
  },
  {
    id: "lights-lines-segments",
    with: ["lights", "pointer", "panel", "segments", "lines", "tone"],
    boardAt: 0x6900,
    tablesAt: 0x6c80,
  },
  {
    id: "displays-lines",
    with: ["pointer", "panel", "displays", "lines", "tone"],
    boardAt: 0x5c80,
    tablesAt: 0x6280,
    small: true,
  },
  { id: "segments", with: ["panel", "segments", "tone"], boardAt: 0x5280, tablesAt: 0x5880 },
  { id: "segments-live", with: ["live", "segments", "tone"], boardAt: 0x5e80, tablesAt: 0x6480 },
  { id: "axes-segments", with: ["axes", "pad", "panel", "segments", "tone"], boardAt: 0x5e80, tablesAt: 0x6480 },
  {
    id: "lights-segments",
    with: ["lights", "pointer", "panel", "segments", "tone"],
    boardAt: 0x6480,
    tablesAt: 0x6900,
  },
  { id: "displays", with: ["pointer", "panel", "displays", "tone"], boardAt: 0x5780, tablesAt: 0x5d80, small: true },
  {
    id: "displays-live",
    with: ["live", "pointer", "displays", "tone"],
    boardAt: 0x6400,
    tablesAt: 0x6980,
    small: true,
  },
  {
    id: "axes-displays",
    with: ["pointer", "axes", "pad", "panel", "displays", "tone"],
    boardAt: 0x6380,
    tablesAt: 0x6800,
    small: true,
  },
  {
    id: "axes-lights-displays",
    with: ["lights", "pointer", "axes", "displays"],
    boardAt: 0x6780,
    tablesAt: 0x6a80,
    small: true,
  },
  {
    id: "lights-displays",
    with: ["lights", "pointer", "panel", "displays", "tone"],
    boardAt: 0x6100,
    tablesAt: 0x6700,
    small: true,
  },
  {
    id: "segments-displays",
    with: ["panel", "segments", "displays", "tone"],
    boardAt: 0x5700,
    tablesAt: 0x5d00,
    small: true,
  },
  {
    id: "axes-music-displays",
    with: ["axes", "panel", "music", "heard", "displays", "tone"],
    boardAt: 0x6100,
    tablesAt: 0x6700,
    small: true,
  },
  { id: "link", with: ["panel", "tone", "link"], boardAt: 0x5b00, tablesAt: 0x6100 },
  { id: "link-pointer", with: ["pointer", "panel", "tone", "link"], boardAt: 0x6200, tablesAt: 0x6700 },
  { id: "link-music", with: ["panel", "music", "heard", "tone", "link"], boardAt: 0x6100, tablesAt: 0x6600 },
  { id: "link-segments", with: ["panel", "segments", "tone", "link"], boardAt: 0x6280, tablesAt: 0x6780 },
  { id: "link-live", with: ["live", "tone", "link"], boardAt: 0x6180, tablesAt: 0x6580, small: "tight" },
  { id: "link-live-pointer", with: ["live", "pointer", "link"], boardAt: 0x6880, tablesAt: 0x6b80, small: "tight" },
  { id: "link-axes", with: ["axes", "pad", "panel", "tone", "link"], boardAt: 0x6280, tablesAt: 0x6680, small: true },
  { id: "link-lights", with: ["lights", "panel", "tone", "link"], boardAt: 0x6000, tablesAt: 0x6400, small: true },
  { id: "link-displays", with: ["panel", "displays", "tone", "link"], boardAt: 0x6100, tablesAt: 0x6500, small: true },
  { id: "bus", with: ["panel", "tone", "link", "bus"], boardAt: 0x5d80, tablesAt: 0x6380 },
  { id: "bus-live", with: ["live", "tone", "link", "bus"], boardAt: 0x6680, tablesAt: 0x6a80, small: "tight" },
] as const satisfies Usb8Image[];
export type ImageId = (typeof usb8Images)[number]["id"];

export const boardBytesMost = ({ boardAt, tablesAt }: Usb8Image): number => tablesAt - boardAt;
export const tableBytesMost = ({ tablesAt }: Usb8Image): number => LOADER_AT - tablesAt;

/** What of all that is wished an image cannot. */
export const lackingIn = (image: Usb8Image, features: FirmwareFeature[]): FirmwareFeature[] =>
  features.filter((one) => !image.with.includes(one));

/**
 * The image that can all that is wished and leaves the most room to the tables, a quick one where there is one; where none can everything,
 * the one that lacks the least (lackingIn tells what).
 */
export function imageWith(features: FirmwareFeature[]): (typeof usb8Images)[number] {
  const lacks = (image: Usb8Image) => lackingIn(image, features).length;
  const least = Math.min(...usb8Images.map(lacks));
  const able = usb8Images.filter((image) => lacks(image) === least);
  const quick = able.filter((image: Usb8Image) => !image.small);
  return (quick.length > 0 ? quick : able).reduce((a, b) => (b.tablesAt < a.tablesAt ? b : a));
}

export const imageFor = (design: Design, scan: ScanTable) => imageWith(featuresOf(design, scan));

/** What is wished at once and no image can, in words with the ways out; null when one can. */
export function tooMuchAtOnce(design: Design, scan: ScanTable): string | null {
  const features = featuresOf(design, scan);
  if (lackingIn(imageWith(features), features).length === 0) return null;
  const words = (list: readonly FirmwareFeature[]) => listed(list.map((one) => featureWords[one]));
  const never = features.filter((one) => !usb8Images.some((image) => lackingIn(image, [one]).length === 0));
  if (never.length > 0)
    return `The finished image cannot do ${words(never)}. The project to compile can; there a call or an interrupt is yours.`;
  const without = (gone: FirmwareFeature[]) => features.filter((one) => !gone.includes(one));
  const helps = (gone: FirmwareFeature[]) => lackingIn(imageWith(without(gone)), without(gone)).length === 0;
  const ways = features.filter((one) => helps([one])).map((one) => featureWords[one]);
  const cure = ways.length > 0 ? `It fits without ${ways.join(", or without ")}.` : "Give up two of them.";
  return `The chip's flash has no room for ${words(features)} at once. ${cure}`;
}

/** What a design could give up for more room, in words: "without live changes there are 4608". */
export function roomWithout(design: Design, scan: ScanTable): string[] {
  const features = featuresOf(design, scan);
  const now = tableBytesMost(imageWith(features));
  return features.flatMap((feature) => {
    const most = tableBytesMost(imageWith(features.filter((one) => one !== feature)));
    return most > now ? [`without ${featureWords[feature]} there are ${most}`] : [];
  });
}
