import { memo } from "react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import type { WireLoad } from "@/core/power/wireLoads";
import { ChipShape } from "./ChipShape";
import { Flag } from "./Flag";

/** From next to nothing to an ampere a conductor grows so much wider, in mm. */
const THIN_MM = 0.25;
const widthMm = (ma: number) => THIN_MM + 0.45 * Math.log10(1 + ma);
/** Loads from here on carry their number. */
const TOLD_MA = 5;

const SHADE = "#0d2a2f";
const COLOURS = { ground: "#c9d4d6", supply: "#E69F00", signal: "#56B4E9" } as const;

const words = (ma: number) => (ma < 10 ? ma.toFixed(1) : ma.toFixed(0));

function Conductor({ load }: { load: WireLoad }) {
  const { from, to, ma, sort } = load;
  const path = `M${from.xMm} ${from.yMm}L${to.xMm} ${to.yMm}`;
  return (
    <g>
      <path d={path} stroke={SHADE} strokeWidth={widthMm(ma) + 0.3} strokeLinecap="round" fill="none" />
      <path
        d={path}
        stroke={load.isHot ? "var(--stop)" : COLOURS[sort]}
        strokeDasharray={sort === "ground" ? "1.6 0.8" : undefined}
        strokeWidth={widthMm(ma)}
        strokeLinecap="round"
        fill="none"
      >
        <title>{`${load.net}: ${words(ma)} mA`}</title>
      </path>
    </g>
  );
}

/** The number lies on the middle of its conductor, where no other number is near. */
function Numbers({ loads }: { loads: WireLoad[] }) {
  const taken: { xMm: number; yMm: number }[] = [];
  return loads
    .filter(({ ma, sort }) => ma >= TOLD_MA && sort !== "ground")
    .sort((a, b) => b.ma - a.ma)
    .map(({ key, from, to, ma }) => {
      const at = { xMm: (from.xMm + to.xMm) / 2, yMm: (from.yMm + to.yMm) / 2 };
      if (taken.some((other) => Math.abs(other.xMm - at.xMm) < 26 && Math.abs(other.yMm - at.yMm) < 9)) return null;
      taken.push(at);
      return <Flag key={key} x={at.xMm} y={at.yMm} words={`${words(ma)} mA`} colour={SHADE} size={3.2} grows />;
    });
}

/** Each conductor as wide as its load, with everything at its most. */
export const CurrentsLens = memo(function CurrentsLens({ design, loads }: { design: Design; loads: WireLoad[] }) {
  return (
    <g>
      {loads.map((load) => (
        <Conductor key={load.key} load={load} />
      ))}
      {derive(design).chips.map((chip) => (
        <ChipShape key={chip.id} chip={chip} />
      ))}
      <Numbers loads={loads} />
    </g>
  );
});
