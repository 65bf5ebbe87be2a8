import { GROUND, POWER } from "../../circuits/net";
import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { manyEnded } from "./boxes";
import { branchDrawings, trunk } from "./branches";
import { type Link, SmallParts, branchOf, farNet, nearNet } from "./links";
import { type Box, type Drawing, boxOf, shifted, together } from "./drawing";
import { isTwoEnded } from "./symbols";
import { type Unit, type UnitSheet, unitSheets } from "./units";

/** Paper of ISO 216, A4 lying; what is drawn keeps clear of the frame and of the title beneath it. */
export const SHEET = { width: 297, height: 210 };
const AREA: Box = { left: 14, top: 14, right: 283, bottom: 189 };
const BETWEEN_MM = 7;
/** Most small parts on one upright line. */
const MOST_IN_TRUNK = 9;

export interface Sheet {
  title: string;
  drawing: Drawing;
}

const power = new Set(POWER);
const isInTrunk = ({ symbol }: Unit) => symbol === "resistor" || symbol === "diode";

/** Small parts between named nets, put one after another where exactly two of them meet. */
function trunksOf(units: Unit[]): Link[][] {
  const byNet = new Map<string, Unit[]>();
  for (const unit of units)
    for (const { net } of unit.ends) if (net !== null) byNet.set(net, [...(byNet.get(net) ?? []), unit]);
  const goesOn = (net: string | null) => net !== null && !power.has(net) && byNet.get(net)!.length === 2;
  const left = new Set(units);
  const from = (unit: Unit, against: boolean): Link[] => {
    left.delete(unit);
    const link = { unit, against };
    const net = farNet(link);
    const next = goesOn(net) ? byNet.get(net!)!.find((one) => left.has(one)) : undefined;
    return next ? [link, ...from(next, next.ends[0].net !== net)] : [link];
  };
  const all: Link[][] = [];
  for (const unit of units) {
    const ends = unit.ends.map(({ net }) => goesOn(net));
    if (left.has(unit) && !(ends[0] && ends[1])) all.push(from(unit, ends[0]));
  }
  // What is left runs in a ring.
  for (const unit of units) if (left.has(unit)) all.push(from(unit, false));
  return all.map(downwards);
}

/** Ground at the bottom. */
const downwards = (links: Link[]): Link[] =>
  nearNet(links[0]) === GROUND ? [...links].reverse().map(({ unit, against }) => ({ unit, against: !against })) : links;

const pieces = <T>(all: T[], most: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / most) }, (_, nth) => all.slice(nth * most, (nth + 1) * most));

/** Everything of one function: boxes first, then branches, then what stands between nets. */
function drawingsOf(units: Unit[], isNamed: (net: string) => boolean): Drawing[] {
  const parts = new SmallParts(units, isNamed);
  const boxes = units.filter((unit) => !isTwoEnded(unit)).flatMap(manyEnded);
  const branches = units
    .filter((unit) => isTwoEnded(unit) && !isInTrunk(unit))
    .flatMap((unit) => (parts.take(unit) ? [branchOf(unit, parts)] : []));
  const rest = units.filter((unit) => isInTrunk(unit) && isTwoEnded(unit) && parts.take(unit));
  const trunks = trunksOf(rest).flatMap((links) => pieces(links, MOST_IN_TRUNK).map(trunk));
  return [...boxes, ...branchDrawings(branches), ...trunks];
}

/** Drawings in lines from the left and from the top, as many sheets as it takes; none is cut. */
function packed(drawings: Drawing[]): Drawing[] {
  const sheets: Drawing[][] = [[]];
  let [across, down, lineHeight] = [AREA.left, AREA.top, 0];
  for (const drawing of drawings) {
    const { left, top, right, bottom } = boxOf(drawing);
    if (across > AREA.left && across + right - left > AREA.right)
      [across, down, lineHeight] = [AREA.left, down + lineHeight + BETWEEN_MM, 0];
    if (down > AREA.top && down + bottom - top > AREA.bottom) {
      sheets.push([]);
      [across, down, lineHeight] = [AREA.left, AREA.top, 0];
    }
    sheets.at(-1)!.push(shifted(drawing, across - left, down - top));
    across += right - left + BETWEEN_MM;
    lineHeight = Math.max(lineHeight, bottom - top);
  }
  return sheets.map(together);
}

function sheetsOf({ title, units }: UnitSheet, isNamed: (net: string) => boolean): Sheet[] {
  const all = packed(drawingsOf(units, isNamed));
  return all.map((drawing, nth) => ({
    title: all.length === 1 ? title : `${title}, ${nth + 1} of ${all.length}`,
    drawing,
  }));
}

/** The circuits of a design as drawings in mm, one function on a sheet and more sheets where one is too small. */
export function schematicSheets(design: Design): Sheet[] {
  const named = new Set(derive(design).nets.map(({ flag }) => flag));
  return unitSheets(design).flatMap((sheet) => sheetsOf(sheet, (net) => named.has(net)));
}
