import { memo } from "react";
import type { ToldComparison } from "@/core/compare/toldComparison";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { boundsOf } from "@/core/geometry/outline";
import { outlinePath } from "../drawing/outlinePath";
import { Upright } from "../drawing/Upright";
import { textClass } from "../mat/readable";

interface ChangesLensProps {
  before: Design;
  after: Design;
  differences: ToldComparison["differences"];
}

type Sort = ToldComparison["differences"][number]["sort"];

const SIZE_MM = 5;

/** Told on the part itself where nothing in the drawing shows it. */
const WORDS: Partial<Record<Sort, string>> = {
  renamed: "name",
  changed: "part",
  rewired: "wires",
  rebound: "keymap",
};

/** Where parts were and where they are, which came and which went, and what else of them is another. */
export const ChangesLens = memo(function ChangesLens({ before, after, differences }: ChangesLensProps) {
  const sorts = new Map<string, Set<Sort>>();
  for (const { sort, controlIds } of differences)
    for (const id of controlIds) sorts.set(id, (sorts.get(id) ?? new Set<Sort>()).add(sort));
  const [was, is] = [placesOf(before), placesOf(after)];
  return (
    <g pointerEvents="none">
      {[...sorts].map(([id, own]) => (
        <ChangedPart key={id} was={was.get(id)} is={is.get(id)} sorts={own} />
      ))}
    </g>
  );
});

interface Place {
  path: string;
  xMm: number;
  yMm: number;
  top: number;
}

function placesOf(design: Design): Map<string, Place> {
  const { caps } = derive(design);
  return new Map(
    design.controls.flatMap(({ id, placement: { xMm, yMm } }, nth) => {
      const box = boundsOf([caps[nth]]);
      return box ? [[id, { path: outlinePath(caps[nth]), xMm, yMm, top: box.minYMm }]] : [];
    }),
  );
}

function ChangedPart({ was, is, sorts }: { was?: Place; is?: Place; sorts: Set<Sort> }) {
  const isMoved = sorts.has("moved");
  const words = [...sorts].flatMap((sort) => WORDS[sort] ?? []);
  const colour = sorts.has("new") ? "var(--settled)" : "var(--saffron)";
  return (
    <>
      {was && (isMoved || !is) && (
        <path
          d={was.path}
          fill="none"
          stroke={is ? "var(--saffron)" : "var(--stop)"}
          strokeWidth={0.8}
          strokeDasharray="2 1.4"
        />
      )}
      {was && is && isMoved && (
        <>
          <line x1={was.xMm} y1={was.yMm} x2={is.xMm} y2={is.yMm} stroke="var(--saffron)" strokeWidth={0.9} />
          <circle cx={is.xMm} cy={is.yMm} r={1.3} fill="var(--saffron)" />
        </>
      )}
      {is && <path d={is.path} fill="none" stroke={colour} strokeWidth={1} />}
      {is && (words.length > 0 || sorts.has("new")) && (
        <Mark x={is.xMm} y={is.top + 4.6} words={sorts.has("new") ? "new" : words.join(", ")} colour={colour} />
      )}
      {!is && was && <Mark x={was.xMm} y={was.top + 4.6} words="gone" colour="var(--mat-ink)" />}
    </>
  );
}

const Mark = ({ x, y, words, colour }: { x: number; y: number; words: string; colour: string }) => (
  <Upright x={x} y={y}>
    <text
      className={textClass(SIZE_MM)}
      style={{ fontSize: SIZE_MM }}
      textAnchor="middle"
      fill={colour}
      stroke="var(--mat-deep)"
      strokeWidth={1.2}
      paintOrder="stroke"
      fontWeight={700}
    >
      {words}
    </text>
  </Upright>
);
