import type { Design } from "../../document/schema";
import { type Broken, type LimitSort, brokenLimits } from "../../power/limits";
import {
  dimmedTo,
  feedBeforeRegulator,
  highestBrightness,
  litAtMost,
  mostLitAtOnce,
  withOutsideSupply,
} from "../../power/remedies";
import { type Fix, type Rule, controlSubject } from "../finding";

const CURRENTS: LimitSort[] = [
  "source",
  "before configuration",
  "outside",
  "fuse",
  "regulator",
  "regulator heat",
  "pass",
];

const rounded = ({ value, unit }: Broken) => `${value.toFixed(0)} ${unit}`;

/** What is too much, where, and by how much. */
function sentence(broken: Broken): string {
  const { sort, value, limit, where } = broken;
  const over = `${(value - limit).toFixed(0)} ${broken.unit} too much`;
  if (sort === "before configuration")
    return `Before the computer has configured it the device takes ${rounded(broken)}; until then ${where} gives ${limit} mA: ${over}.`;
  if (sort === "regulator heat")
    return `With everything at its most ${where} gets ${value.toFixed(0)} °C warmer than the air; it stands ${limit} °C.`;
  return `With everything at its most ${rounded(broken)} pass ${where}, which gives ${limit.toFixed(0)} mA: ${over}.`;
}

/** Every cure that really settles it, as it was worked out. */
function cures(design: Design, { sort }: Broken): Fix[] {
  const settles = (after: Design) => !brokenLimits(after).some((left) => left.sort === sort);
  const fix = (title: string, apply: (d: Design) => Design): Fix[] =>
    settles(apply(design)) ? [{ title, apply }] : [];
  const chains = design.circuits.some(({ kind }) => kind === "light-chain");
  const percent = chains ? highestBrightness(design) : null;
  const lit = chains ? mostLitAtOnce(design) : null;
  return [
    ...(percent === null
      ? []
      : fix(`Hold the lights to ${percent} %`, (d) => ({ ...d, circuits: dimmedTo(d.circuits, percent) }))),
    ...(lit === null
      ? []
      : fix(`Light ${lit} at once at most`, (d) => ({ ...d, circuits: litAtMost(d.circuits, lit) }))),
    ...fix("Feed lights and lamps before the regulator", feedBeforeRegulator),
    ...(design.supply.outside?.isChosen
      ? []
      : fix("Feed lights and lamps from outside, by a jumper", (d) => withOutsideSupply(d) ?? d)),
  ];
}

/** A source, a fuse, a regulator or a pad that is asked for more than it gives. */
export const currentLimit: Rule = {
  id: "circuits/current-limit",
  stage: "circuits",
  severity: "stop",
  why: "A port that is asked for too much switches off; a regulator or fuse that is asked for too much does so when it is warm.",
  source:
    "USB 2.0 (7.2.1) and USB Type-C (4.5) for ports, the controller profile for regulator and pads; all loads at their most, the source at its lowest",
  check: (design) =>
    brokenLimits(design)
      .filter(({ sort }) => CURRENTS.includes(sort))
      .map((broken) => ({
        message: sentence(broken),
        subjects: broken.controlId ? [controlSubject(broken.controlId)] : [],
        fixes: cures(design, broken),
      })),
};
