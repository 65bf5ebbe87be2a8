import type { Design } from "../../document/schema";
import { type Broken, type LimitSort, brokenLimits } from "../../power/limits";
import {
  DIMMABLE,
  dimmedTo,
  feedBeforeRegulator,
  highestBrightness,
  litAtMost,
  movingSettles,
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

/** Dimmer, or fewer at once: what is offered was worked out so that every limit of this sort holds. */
function dimming(design: Design, sort: LimitSort): Fix[] {
  if (!DIMMABLE.includes(sort) || !design.circuits.some(({ kind }) => kind === "light-chain")) return [];
  const [percent, lit] = [highestBrightness(design), mostLitAtOnce(design)];
  const bright: Fix[] =
    percent === null
      ? []
      : [
          {
            title: `Hold the lights to ${percent} %`,
            apply: (d) => ({ ...d, circuits: dimmedTo(d.circuits, percent) }),
          },
        ];
  if (lit === null) return bright;
  return [
    ...bright,
    { title: `Light ${lit} at once at most`, apply: (d) => ({ ...d, circuits: litAtMost(d.circuits, lit) }) },
  ];
}

/** Feeding otherwise, where what is moved away is enough. */
function feeding(design: Design, broken: Broken): Fix[] {
  const before: Fix = { title: "Feed lights and lamps before the regulator", apply: feedBeforeRegulator };
  const outside: Fix = {
    title: "Feed lights and lamps from outside, by a jumper",
    apply: (d) => withOutsideSupply(d) ?? d,
  };
  const isOutside = design.supply.outside?.isChosen === true;
  return [
    ...(movingSettles(design, broken, "before the regulator") ? [before] : []),
    ...(!isOutside && movingSettles(design, broken, "outside") ? [outside] : []),
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
  eachController: true,
  check: (design) =>
    brokenLimits(design)
      .filter(({ sort }) => CURRENTS.includes(sort))
      .map((broken) => ({
        message: sentence(broken),
        subjects: broken.controlId ? [controlSubject(broken.controlId)] : [],
        fixes: [...dimming(design, broken.sort), ...feeding(design, broken)],
      })),
};
