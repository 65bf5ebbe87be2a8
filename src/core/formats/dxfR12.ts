import type { Ring } from "../geometry/ring";

/** One layer's closed lines and words. */
export interface DxfLayer {
  name: string;
  /** Number in the standard palette of the format. */
  colour: number;
  rings: Ring[];
  texts: { xMm: number; yMm: number; rotationDeg: number; text: string }[];
}

const TEXT_MM = 3;
const num = (value: number) => String(Math.round(value * 1e5) / 1e5);
const pair = (code: number, value: string | number): string => `${code}\r\n${value}\r\n`;

/** The format's y points up; the mat's points down. */
const vertex = (layer: string, xMm: number, yMm: number) =>
  pair(0, "VERTEX") + pair(8, layer) + pair(10, num(xMm)) + pair(20, num(-yMm));

const polyline = (layer: string, ring: Ring) =>
  pair(0, "POLYLINE") +
  pair(8, layer) +
  pair(66, 1) +
  pair(70, 1) +
  pair(10, 0) +
  pair(20, 0) +
  ring.map((p) => vertex(layer, p.xMm, p.yMm)).join("") +
  pair(0, "SEQEND") +
  pair(8, layer);

/** Only printable ASCII is sure in this version; the rest is written as the format's own escapes. */
const ascii = (text: string) =>
  Array.from(text, (sign) => {
    const code = sign.codePointAt(0)!;
    return code >= 32 && code < 127
      ? sign
      : code > 0xffff
        ? "?"
        : `\\U+${code.toString(16).toUpperCase().padStart(4, "0")}`;
  }).join("");

const words = (layer: string, { xMm, yMm, rotationDeg, text }: DxfLayer["texts"][number]) =>
  pair(0, "TEXT") +
  pair(8, layer) +
  pair(10, num(xMm)) +
  pair(20, num(-yMm)) +
  pair(40, TEXT_MM) +
  pair(1, ascii(text)) +
  pair(50, num(-rotationDeg));

const layerEntry = ({ name, colour }: DxfLayer) =>
  pair(0, "LAYER") + pair(2, name) + pair(70, 0) + pair(62, colour) + pair(6, "CONTINUOUS");

/** Drawing exchange text of release 12 (AC1009), in millimetres: closed polylines and words on named layers. */
export function dxfR12(layers: DxfLayer[]): string {
  return (
    pair(0, "SECTION") +
    pair(2, "HEADER") +
    pair(9, "$ACADVER") +
    pair(1, "AC1009") +
    pair(9, "$MEASUREMENT") +
    pair(70, 1) +
    pair(0, "ENDSEC") +
    pair(0, "SECTION") +
    pair(2, "TABLES") +
    pair(0, "TABLE") +
    pair(2, "LAYER") +
    pair(70, layers.length) +
    layers.map(layerEntry).join("") +
    pair(0, "ENDTAB") +
    pair(0, "ENDSEC") +
    pair(0, "SECTION") +
    pair(2, "ENTITIES") +
    layers
      .map(
        ({ name, rings, texts }) =>
          rings.map((r) => polyline(name, r)).join("") + texts.map((t) => words(name, t)).join(""),
      )
      .join("") +
    pair(0, "ENDSEC") +
    pair(0, "EOF")
  );
}
