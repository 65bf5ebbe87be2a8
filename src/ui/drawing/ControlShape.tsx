import { type CSSProperties, memo } from "react";
import { type Control, kindOf } from "@/core/catalogue/kinds";
import type { Pitch } from "@/core/catalogue/kinds/controlKind";
import type { Part } from "@/core/catalogue/parts/part";
import { viewOf } from "../kinds";
import { growingSize, insteadClass, textClass } from "../mat/readable";
import { Upright } from "./Upright";
import { outlinePath } from "./outlinePath";

export type Tone = "none" | "stop" | "warn";

interface ControlShapeProps {
  control: Control;
  part: Part;
  /** Colour of its group; none when null. */
  colour: string | null;
  pitch: Pitch;
  selected: boolean;
  tone: Tone;
  /** Big words on the part, and a smaller second line. */
  words: string;
  small: string;
  /** Up to two short legends for the lower corners, one a line. */
  corners?: string;
  /** Names of its ends that are held or on, with a space between. */
  ends: string;
  /** The colour it is lit in; empty while dark. */
  lit: string;
  solderSide: boolean;
  /** Only one control is a tab stop; arrows reach the others. */
  tabStop: boolean;
}

const TONES = { none: "var(--cap-edge)", stop: "var(--stop)", warn: "var(--warn)" };

/** Letters of the size that fits the width; about half as wide as high in this face. */
const fitted = (words: string, widthMm: number, most: number) =>
  Math.min(most, (widthMm - 2.4) / (Math.max(1, words.length) * 0.56));

function Contacts({ control }: { control: Control }) {
  return (
    <g pointerEvents="none">
      {kindOf(control)
        .elements(control)
        .flatMap((element) => element.contacts)
        .map(({ id, at }) => (
          <circle
            key={id}
            cx={at.xMm}
            cy={at.yMm}
            r={0.85}
            fill="var(--pad)"
            stroke="var(--cap-ink)"
            strokeWidth={0.25}
          />
        ))}
    </g>
  );
}

const LINE_SIGNS = 9;
const LONG_LINE = 6;

/** The largest letters that the width holds at all, when the zoom asks for larger ones. */
const roomFor = (words: string, widthMm: number, most: number) =>
  Math.min(most, (widthMm - 1) / (Math.max(1, words.length) * 0.56));

/** A baseline that puts capital letters around a height, in heights of a letter. */
const MIDDLE_EM = 0.34;
const LINE_EM = 1.15;

/** Words that may stand on lines of their own: a plus stays with what it adds. */
const piecesOf = (words: string) => words.split(/(?<!\+) /);

/** Long words go on up to three lines, broken at spaces. */
export function broken(words: string): string[] {
  const each = piecesOf(words);
  if (words.length <= LINE_SIGNS) return words.length < 6 ? [words] : each.slice(0, 3);
  const lines: string[] = [];
  for (const word of each) {
    const last = lines.at(-1);
    if (last !== undefined && (last.length + 1 + word.length <= LINE_SIGNS || lines.length === 3))
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  // Three short lines can be larger than two long ones.
  return each.length === 3 && lines.some((line) => line.length > LONG_LINE) ? each : lines;
}

/** Signs a line that words are cut to, one after the other until they can be read. */
const SHORT_SIGNS = [5, 4];

const cut = (line: string, signs: number) => (line.length > signs ? `${line.slice(0, signs - 1).trim()}…` : line);

/** Of three lines the first and the last, with a sign that more stands between. */
const outer = ([first, , last]: string[], signs: number) => [
  `${first.replace("…", "").slice(0, signs - 1)}…`,
  cut(last, signs),
];

/** Ways to say it, each with room for larger letters than the one before: in whole, then shorter and shorter. */
export function sayings(lines: string[]): string[][] {
  const cuts = SHORT_SIGNS.map((signs) => lines.map((line) => cut(line, signs)));
  const fewer = lines.length === 3 ? SHORT_SIGNS.map((signs) => outer(lines, signs)) : [];
  const all = lines.length === 3 ? [lines, cuts[0], ...fewer] : [lines, ...cuts];
  return all.filter((way, nth) => nth === 0 || way.join("\n") !== all[nth - 1].join("\n"));
}

interface LinesProps {
  lines: string[];
  width: number;
  /** Another text stands beneath. */
  hasUnder: boolean;
  /** It is there only while those are too small to read. */
  insteadOf: string[] | null;
}

/** Lines of words about the middle of a cap, or its upper half. */
function Lines({ lines, width, hasUnder, insteadOf }: LinesProps) {
  const size = Math.min(...lines.map((line) => fitted(line, width, [4.4, 3.6, 3][lines.length - 1])));
  const room = roomOf(lines, width, hasUnder);
  const instead = insteadOf ? insteadClass(roomOf(insteadOf, width, hasUnder)) : "";
  return lines.map((line, nth) => (
    <text
      key={nth}
      className={`${textClass(room)} ${instead}`}
      style={{ fontSize: growingSize(size, room), fontWeight: 600 }}
      y={hasUnder ? -0.2 : 0}
      dy={hasUnder ? undefined : `${MIDDLE_EM + (nth - (lines.length - 1) / 2) * LINE_EM}em`}
    >
      {line}
    </text>
  ));
}

const roomOf = (lines: string[], width: number, hasUnder: boolean) =>
  Math.min(hasUnder ? 7 : 8, ...lines.map((line) => roomFor(line, width, [8, 5.6, 4.6][lines.length - 1])));

/** The words on a cap; a lens that draws over the caps shows them again on top, with a rim of the cap's colour. */
export function Words({
  control,
  part,
  pitch,
  words,
  small,
  rimmed = false,
}: Pick<ControlShapeProps, "control" | "part" | "pitch" | "words" | "small"> & { rimmed?: boolean }) {
  const width = viewOf(control.kind).wordsWidthMm(control, pitch, part);
  if (width === null) return null;
  const lines = broken(words);
  const under = lines.length > 1 ? "" : small;
  const underSize = fitted(under, width, 2.9);
  const underRoom = roomFor(under, width, 4.8);
  return (
    <Upright x={0} y={-0.2}>
      <g
        textAnchor="middle"
        fill="var(--cap-ink)"
        pointerEvents="none"
        style={
          rimmed
            ? { paintOrder: "stroke", stroke: "var(--cap-top)", strokeWidth: 1.1, strokeLinejoin: "round" }
            : undefined
        }
      >
        {sayings(lines).map((said, nth, all) => (
          <Lines
            key={nth}
            lines={said}
            width={width}
            hasUnder={under !== ""}
            insteadOf={nth > 0 ? all[nth - 1] : null}
          />
        ))}
        {under && (
          <text
            className={textClass(underRoom)}
            style={{
              fontSize: growingSize(underSize, underRoom),
              fontFamily: "'Atkinson Hyperlegible Mono Variable', monospace",
            }}
            y={3.2}
            dy="0.15em"
          >
            {under}
          </text>
        )}
      </g>
    </Upright>
  );
}

const CORNER_MM = 1.9;

/** Legends of other layers, left and right at the foot of a cap. */
function Corners({ control, part, pitch, corners }: { control: Control; part: Part; pitch: Pitch; corners: string }) {
  const width = viewOf(control.kind).wordsWidthMm(control, pitch, part);
  if (width === null || control.kind !== "key") return null;
  return (
    <Upright x={0} y={0}>
      <g fill="var(--cap-ink)" pointerEvents="none" opacity={0.8}>
        {corners.split("\n").map((legend, nth) => (
          <text
            key={nth}
            className={textClass(Math.min(CORNER_MM, width / 2 / Math.max(1, legend.length * 0.56)))}
            style={{ fontSize: Math.min(CORNER_MM, width / 2 / Math.max(1, legend.length * 0.56)) }}
            x={(nth === 0 ? -1 : 1) * (width / 2)}
            y={7.6}
            textAnchor={nth === 0 ? "start" : "end"}
          >
            {legend}
          </text>
        ))}
      </g>
    </Upright>
  );
}

const describe = (control: Control, words: string, small: string) =>
  `${kindOf(control).title} ${control.label}, ${kindOf(control).describe(control)}, at ${control.placement.xMm} by ${control.placement.yMm} mm` +
  `${words !== control.label ? `, ${words}` : ""}${small ? `, ${small}` : ""}`;

/** A colour goes on cap and top alike; the top stays a little lighter, as in daylight. */
const tinted = (colour: string | null): CSSProperties | undefined =>
  colour === null
    ? undefined
    : ({
        "--cap": colour,
        "--cap-top": `color-mix(in srgb, ${colour} 82%, #fff)`,
        "--cap-ink": "#2b2a26",
      } as CSSProperties);

/** A lamp is lit in its own colour, a light in the one that it was told. */
const litWords = (lit: string, kind: string) => {
  if (kind === "motor") return lit && ", running";
  if (kind === "buzzer") return lit && ", sounding";
  return lit.startsWith("#") ? `, lit in ${lit}` : lit && ", lit";
};

/** One control on the mat: its cap seen from above, or its body and contacts from the solder side. */
export const ControlShape = memo(function ControlShape(props: ControlShapeProps) {
  const { control, part, colour, pitch, selected, tone, words, small, corners, ends, lit, solderSide, tabStop } = props;
  const { xMm, yMm, rotationDeg } = control.placement;
  const kind = kindOf(control);
  const { Face } = viewOf(control.kind);
  const pieces = kind.cap(control, pitch, part);
  const cap = pieces.map(outlinePath).join("");
  const body = outlinePath(kind.body(control, part));
  return (
    <g
      transform={`translate(${xMm} ${yMm}) rotate(${rotationDeg})`}
      data-control={control.id}
      role="button"
      aria-pressed={selected || ends !== ""}
      aria-label={`${describe(control, words, small)}${litWords(lit, control.kind)}`}
      tabIndex={tabStop ? 0 : -1}
      className="control"
      style={tinted(colour)}
    >
      {solderSide ? (
        <>
          <path
            d={cap}
            fill="var(--board)"
            fillOpacity={0.5}
            stroke="var(--board-edge)"
            strokeWidth={0.25}
            strokeDasharray="1.2 1"
          />
          <path d={body} fill="var(--cap)" stroke={TONES[tone]} strokeWidth={tone === "none" ? 0.3 : 0.7} />
          <Contacts control={control} />
        </>
      ) : (
        <>
          <path d={cap} fill={lit || "var(--cap)"} stroke={TONES[tone]} strokeWidth={tone === "none" ? 0.3 : 0.9} />
          {pieces.length > 1 && <path d={cap} fill="var(--cap)" pointerEvents="none" />}
          <Face control={control} pitch={pitch} part={part} pressed={ends !== ""} ends={ends} lit={lit} />
        </>
      )}
      <path
        d={cap}
        className="focus-ring"
        fill="none"
        stroke="#fff"
        strokeWidth={1.6}
        strokeDasharray="2.4 1.6"
        pointerEvents="none"
      />
      {selected && <path d={cap} fill="none" stroke="var(--saffron)" strokeWidth={1.1} pointerEvents="none" />}
      <Words control={control} part={part} pitch={pitch} words={words} small={small} />
      {corners && <Corners control={control} part={part} pitch={pitch} corners={corners} />}
    </g>
  );
});
