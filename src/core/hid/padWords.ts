import { HAT_NONE, padBytes } from "../contract/pad";
import { padAxisNames } from "./padShape";
import type { ReportShape } from "./reportShape";

/** What a game pad's report says. */
export interface PadState {
  /** Numbers of the buttons that are down, from 0 on. */
  buttons: number[];
  /** 0 up and on clockwise; null where there is none or it is not pressed. */
  hat: number | null;
  /** In the order of the shape, as the host reads them. */
  axes: number[];
}

const BYTE = 8;
const buttonBytes = ({ buttons }: ReportShape) => Math.ceil(buttons / BYTE);

/** Reads a report by its shape. */
export function padStateOf(shape: ReportShape, bytes: Uint8Array): PadState {
  const { buttons, hat, axes, axisBits } = shape;
  const down = Array.from({ length: buttons }, (_, nth) => nth).filter((nth) => (bytes[nth >> 3] >> (nth & 7)) & 1);
  const hatAt = buttonBytes(shape);
  const value = hat ? bytes[hatAt] : HAT_NONE;
  const first = hatAt + (hat ? 1 : 0);
  const size = axisBits > BYTE ? 2 : 1;
  return {
    buttons: down,
    hat: value >= HAT_NONE ? null : value,
    axes: axes.map(({ bothSides }, nth) => {
      const at = first + nth * size;
      const unsigned = size === 2 ? bytes[at] | (bytes[at + 1] << BYTE) : bytes[at];
      return bothSides && unsigned >= 2 ** (size * BYTE - 1) ? unsigned - 2 ** (size * BYTE) : unsigned;
    }),
  };
}

/** A game pad's report before anything was told. */
export const stillPad = ({ buttons, hat, axes, axisBits }: ReportShape): Uint8Array =>
  new Uint8Array(padBytes(buttons, hat ? 1 : 0, axes.length, axisBits)).map((_, at) =>
    hat && at === Math.ceil(buttons / BYTE) ? HAT_NONE : 0,
  );

/** What an axis tells at its high end, and at its low end. */
export const axisLimits = (bothSides: boolean, axisBits: number): [low: number, high: number] => {
  const most = 2 ** (bothSides ? axisBits - 1 : axisBits) - 1;
  return [bothSides ? -most : 0, most];
};

/** What the bytes of its report are, first byte first. */
export function padByteNames(shape: ReportShape): string[] {
  const { buttons, hat, axes, axisBits } = shape;
  const of = Array.from({ length: buttonBytes(shape) }, (_, nth) => {
    const last = Math.min(buttons, BYTE * (nth + 1));
    return last === BYTE * nth + 1 ? `button ${last}` : `buttons ${BYTE * nth + 1} to ${last}`;
  });
  const named = axes.flatMap(({ axis }) =>
    axisBits > BYTE ? [`${padAxisNames[axis]}, low byte`, `${padAxisNames[axis]}, high byte`] : [padAxisNames[axis]],
  );
  return [...of, ...(hat ? ["hat"] : []), ...named];
}
