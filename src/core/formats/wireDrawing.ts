import { chipOutline, terminalPlace } from "../circuits/chip";
import type { InlinePart } from "../circuits/circuitKind";
import { derive } from "../derived/derive";
import type { PlacedController } from "../derived/placedController";
import type { Design } from "../document/schema";
import { type Outline, boundsOf } from "../geometry/outline";
import { type Point, distanceMm, place, point } from "../geometry/point";
import { type Ring, outlineRing, ringCentre } from "../geometry/ring";
import { boardRing } from "../layout/boardOutline";
import { pinPlace } from "../pins/pinPlace";
import { type LinkConnector, linkConnectors } from "../wires/connectors";
import { type Phase, type Wire, type WireEnd, boardOfAdded, chipWords, isPad } from "../wires/wires";
import { type Label, type PlacedLabel, type Segment, placeLabels, wordsWidthMm } from "./labelPlaces";
import { boxAround, escapeXml, ringData, svgOpen } from "./svgText";
import { wireLegend, wireStyle } from "./wireLegend";

/** One side of some boards; everything is turned to what the eye sees before it is drawn, so that words stay readable. */
interface Sight {
  design: Design;
  boards: Set<string>;
  wires: Wire[];
  links: LinkConnector[];
  see(p: Point): Point;
}

const NAME_MM = 2.6;
const FLAG_MM = 2;
const PAD_NAME_MM = 1.5;
/** From a contact to the nearest places of its flag. */
const FLAG_AWAY_MM = [4, 6.5, 9];

const num = (value: number) => String(Math.round(value * 1000) / 1000);
const seenRing = ({ see }: Sight, ring: Ring) => ring.map(see);

const text = (p: Point, sizeMm: number, words: string, more = "") =>
  `<text x="${num(p.xMm)}" y="${num(p.yMm + 0.35 * sizeMm)}" font-size="${sizeMm}" text-anchor="middle" ${more}>${escapeXml(words)}</text>`;

const line = (a: Point, b: Point, style: string) =>
  `<path d="M${num(a.xMm)} ${num(a.yMm)}L${num(b.xMm)} ${num(b.yMm)}" ${style}/>`;

function boardsAndBodies(sight: Sight): { marks: string[]; rings: Ring[] } {
  const { design, boards } = sight;
  const { bodies } = derive(design);
  const edges = design.boards
    .filter(({ id }) => boards.has(id))
    .flatMap(({ id }) => {
      const ring = boardRing(design, id);
      return ring ? [seenRing(sight, ring)] : [];
    });
  const parts = design.controls.flatMap(({ placement }, nth) =>
    boards.has(placement.boardId) ? [seenRing(sight, outlineRing(bodies[nth]))] : [],
  );
  return {
    marks: [
      ...edges.map((ring) => `<path d="${ringData(ring)}" fill="none" stroke="#333" stroke-width="0.3"/>`),
      ...parts.map((ring) => `<path d="${ringData(ring)}" fill="#f4efe2" stroke="#777" stroke-width="0.15"/>`),
    ],
    rings: [...edges, ...parts],
  };
}

/** Places for a name: the middle of its part, then above and beneath it, then the quarters. */
function namePlaces(body: Outline, { see }: Sight): Point[] {
  const box = boundsOf([body])!;
  const [x, y] = [(box.minXMm + box.maxXMm) / 2, (box.minYMm + box.maxYMm) / 2];
  const [across, down] = [(box.maxXMm - box.minXMm) / 4, (box.maxYMm - box.minYMm) / 4];
  const beyond = (box.maxYMm - box.minYMm) / 2 + NAME_MM;
  const steps: [number, number][] = [
    [0, 0],
    [0, -down],
    [0, down],
    [-across, -down],
    [across, -down],
    [-across, down],
    [across, down],
    [0, -beyond],
    [0, beyond],
  ];
  return steps.map(([dx, dy]) => see(point(x + dx, y + dy)));
}

function nameLabels(sight: Sight): Label[] {
  const { design, boards } = sight;
  const { bodies, chips, shunts } = derive(design);
  const named = design.controls.flatMap(({ label, placement }, nth) =>
    boards.has(placement.boardId) && label !== ""
      ? [{ words: label, sizeMm: NAME_MM, places: namePlaces(bodies[nth], sight) }]
      : [],
  );
  const added = chips
    .filter(({ id }) => boards.has(boardOfAdded(id, design)))
    .map((chip) => ({ words: chipWords(chip), sizeMm: NAME_MM, places: namePlaces(chipOutline(chip), sight) }));
  const values = shunts
    .filter(({ id }) => boards.has(boardOfAdded(id, design)))
    .map(({ value, at }) => ({ words: value, sizeMm: FLAG_MM, places: around(sight.see(at), [2.2, 4]) }));
  return [...named, ...added, ...values];
}

const EIGHT = Array.from({ length: 8 }, (_, nth) => (nth * Math.PI) / 4);

/** Places in eight directions about a point, near ones first. */
const around = (p: Point, awayMm: number[]): Point[] =>
  awayMm.flatMap((mm) => EIGHT.map((angle) => point(p.xMm + 1.5 * mm * Math.cos(angle), p.yMm + mm * Math.sin(angle))));

function addedMarks(sight: Sight): string[] {
  const { design, boards, see } = sight;
  const { chips, shunts } = derive(design);
  const isHere = ({ id }: { id: string }) => boards.has(boardOfAdded(id, design));
  const packages = chips.filter(isHere).map((chip) => {
    const terminals = chip.terminals.map((_, nth) => see(terminalPlace(chip, nth)));
    const dots = terminals.map(
      (p, nth) =>
        `<circle cx="${num(p.xMm)}" cy="${num(p.yMm)}" r="${nth === 0 ? 0.8 : 0.5}" fill="${nth === 0 ? "#000" : "#fff"}" stroke="#000" stroke-width="0.2"/>`,
    );
    const ring = seenRing(sight, outlineRing(chipOutline(chip)));
    return `<path d="${ringData(ring)}" fill="#eef3f2" stroke="#555" stroke-width="0.2"/>${dots.join("")}`;
  });
  const small = shunts.filter(isHere).map(({ at }) => {
    const p = see(at);
    return `<rect x="${num(p.xMm - 1.6)}" y="${num(p.yMm - 0.7)}" width="3.2" height="1.4" fill="#fff" stroke="#000" stroke-width="0.2"/>`;
  });
  return [...packages, ...small];
}

/** A diode or resistor in a contact's lead, drawn outward from the middle of its part; the bar is the ring. */
function inlineMark(part: InlinePart, at: Point, middle: Point): string {
  const away = Math.max(0.01, distanceMm(at, middle));
  const degrees = (Math.atan2((at.yMm - middle.yMm) / away, (at.xMm - middle.xMm) / away) * 180) / Math.PI;
  const isForward = part.onContact !== "cathode";
  const shape =
    part.sort === "resistor"
      ? `<path d="M0 0h0.8m2.4 0h0.8M0.8 -0.6h2.4v1.2h-2.4z" fill="#fff"/>`
      : isForward
        ? `<path d="M0 0h1M1 -0.8v1.6l1.6 -0.8zM2.6 -0.8v1.6M2.6 0h1.2" fill="#000"/>`
        : `<path d="M0 0h1M1 -0.8v1.6M2.6 -0.8v1.6l-1.6 -0.8zM2.6 0h1.2" fill="#000"/>`;
  return `<g transform="translate(${num(at.xMm)} ${num(at.yMm)}) rotate(${num(degrees)})" stroke="#000" stroke-width="0.25">${shape}</g>`;
}

/** Diodes and resistors in the leads of parts on these boards, each at its contact. */
function inlineParts({ design, boards }: Sight): { part: InlinePart; at: Point; middle: Point }[] {
  const { builtCircuits, elements, controls } = derive(design);
  return builtCircuits
    .flatMap(({ inline }) => inline)
    .flatMap((part) => {
      const element = elements.get(part.elementId);
      const control = element && controls.get(element.controlId);
      const contact = element?.contacts.find(({ id }) => id === part.contactId);
      if (!control || !contact || !boards.has(control.placement.boardId)) return [];
      return [{ part, at: contact.at, middle: control.placement }];
    });
}

interface PadMark {
  name: string;
  at: Point;
  /** One millimetre from the pad into the module, as seen. */
  inward: Point;
}

/** A word that runs into the module or out of it; what would stand on its head is turned round. */
function alongPad({ at, inward }: PadMark, words: string, fromMm: number, sizeMm: number, weight: string): string {
  const isIn = fromMm > 0;
  const start = point(at.xMm + inward.xMm * fromMm, at.yMm + inward.yMm * fromMm);
  const degrees = (Math.atan2(isIn ? inward.yMm : -inward.yMm, isIn ? inward.xMm : -inward.xMm) * 180) / Math.PI;
  const isTurned = Math.abs(degrees) > 91;
  return `<text transform="translate(${num(start.xMm)} ${num(start.yMm)}) rotate(${num(isTurned ? degrees - 180 : degrees)})" y="${num(0.35 * sizeMm)}" font-size="${sizeMm}" text-anchor="${isTurned ? "end" : "start"}" ${weight}>${escapeXml(words)}</text>`;
}

function padMarks({ controller, profile }: PlacedController, { see }: Sight): PadMark[] {
  if (!profile) return [];
  const flip = controller.side === "under" ? -1 : 1;
  const edges = (x: number, y: number): [number, number][] =>
    profile.widthMm / 2 - Math.abs(x) <= profile.heightMm / 2 - Math.abs(y)
      ? [[-Math.sign(x) || -1, 0]]
      : [[0, -Math.sign(y) || -1]];
  return profile.pins.map((pin) => {
    const at = see(pinPlace(controller, pin));
    const [[dx, dy]] = edges(pin.xMm, pin.yMm);
    const towards = see(place(point(flip * (pin.xMm + dx), pin.yMm + dy), controller.placement));
    return { name: pin.name, at, inward: point(towards.xMm - at.xMm, towards.yMm - at.yMm) };
  });
}

/** The module with its connector side, every pad and its name, and the net's flag outside each pad that has one. */
function moduleMarks(placed: PlacedController, sight: Sight): { marks: string[]; rings: Ring[] } {
  const { controller, profile, outline } = placed;
  if (!profile || !outline || !sight.boards.has(controller.placement.boardId)) return { marks: [], rings: [] };
  const ring = seenRing(sight, outlineRing(outline));
  const onPad = new Map<string, string[]>();
  const main = sight.design.controllers[0].id;
  for (const { from, to, net } of sight.wires)
    for (const end of [from, to])
      if (isPad(end)) {
        const [name, far = main] = end.id.slice("pin ".length).split("@");
        if (far === controller.id) onPad.set(name, [...new Set([...(onPad.get(name) ?? []), net])]);
      }
  const plug = profile.connector;
  const flip = controller.side === "under" ? -1 : 1;
  const mouth = plug && sight.see(place(point(flip * plug.xMm, plug.yMm), controller.placement));
  const seen = new Set<string>();
  const pads = padMarks(placed, sight).map((pad) => {
    // Supply and ground stand on several pads; the wire goes to the first of them.
    const flags = seen.has(pad.name) ? [] : (onPad.get(pad.name) ?? []);
    seen.add(pad.name);
    const out = point(pad.at.xMm - 2.4 * pad.inward.xMm, pad.at.yMm - 2.4 * pad.inward.yMm);
    return [
      `<circle cx="${num(pad.at.xMm)}" cy="${num(pad.at.yMm)}" r="0.7" fill="${flags.length > 0 ? "#000" : "#fff"}" stroke="#000" stroke-width="0.2"/>`,
      alongPad(pad, pad.name, 1.2, PAD_NAME_MM, ""),
      ...(flags.length > 0
        ? [
            line(pad.at, out, 'stroke="#000" stroke-width="0.25" fill="none"'),
            alongPad(pad, flags.join(", "), -2.8, FLAG_MM, 'font-weight="bold" class="halo"'),
          ]
        : []),
    ].join("");
  });
  return {
    marks: [
      `<path d="${ringData(ring)}" fill="#fff" stroke="#000" stroke-width="0.3"/>`,
      ...(mouth ? [text(mouth, FLAG_MM, "plug", 'class="halo"')] : []),
      ...pads,
    ],
    rings: [ring],
  };
}

/** An end of a wire that goes to a pad or to another board: the net, and where the other end is. */
interface FarEnd {
  end: WireEnd;
  words: string;
}

function farEnds({ wires, boards, links }: Sight): FarEnd[] {
  return wires.flatMap((wire) => {
    const { from, to, net } = wire;
    if (wire.phase === "links") {
      const link = links.find(({ wireKeys }) => wireKeys.includes(wire.key))!;
      const number = link.wireKeys.indexOf(wire.key) + 1;
      return [from, to]
        .filter((end) => boards.has(end.boardId) && !isPad(end))
        .map((end) => ({ end, words: `${net} → ${link.label}.${number}` }));
    }
    if (!isPad(to) || !boards.has(from.boardId)) return [];
    return [{ end: from, words: `${net} → ${to.name.slice("pin ".length)}` }];
  });
}

const PITCH_MM = 2.54;

/** A connector at the edge of its board, on the side of the board it leads to, with a numbered place for each wire. */
function connectorMarks(link: LinkConnector, boardId: string, sight: Sight): { marks: string[]; rings: Ring[] } {
  const { design } = sight;
  const otherId = link.boardIds.find((id) => id !== boardId)!;
  const [own, other] = [boardRing(design, boardId), boardRing(design, otherId)];
  if (!own) return { marks: [], rings: [] };
  const target = other ? ringCentre(other) : point(0, 0);
  const nearest = own.reduce((a, b) => (distanceMm(b, target) < distanceMm(a, target) ? b : a));
  const middle = sight.see(point(nearest.xMm, ringCentre(own).yMm));
  const outward = sight.see(target).xMm >= sight.see(ringCentre(own)).xMm ? 1 : -1;
  const left = middle.xMm + outward * 2 - (outward < 0 ? 4 : 0);
  const top = middle.yMm - (link.pins.length * PITCH_MM) / 2;
  const otherName = design.boards.find(({ id }) => id === otherId)?.name ?? otherId;
  const rows = link.pins.map(({ number, net }, nth) => {
    const y = top + (nth + 0.5) * PITCH_MM;
    const x = left + (outward > 0 ? 5 : -1);
    return `${text(point(left + 2, y), 1.8, String(number))}<text x="${num(x)}" y="${num(y + 0.7)}" font-size="${FLAG_MM}" font-weight="bold" text-anchor="${outward > 0 ? "start" : "end"}">${escapeXml(net)}</text>`;
  });
  const height = link.pins.length * PITCH_MM;
  const title = `${link.label} to ${otherName}`;
  const corner = point(left, top);
  const wide = wordsWidthMm({ words: title, sizeMm: FLAG_MM + 0.4 });
  return {
    marks: [
      `<rect x="${num(left)}" y="${num(top)}" width="4" height="${num(height)}" fill="#fff" stroke="#000" stroke-width="0.3"/>`,
      `<text x="${num(left + (outward > 0 ? 0 : 4))}" y="${num(top - 1.4)}" font-size="${FLAG_MM + 0.4}" font-weight="bold" text-anchor="${outward > 0 ? "start" : "end"}">${escapeXml(title)}</text>`,
      ...rows,
    ],
    rings: [
      [
        point(corner.xMm - (outward < 0 ? wide : 0), corner.yMm - 4),
        point(corner.xMm + (outward < 0 ? 4 : 4 + wide), corner.yMm + height),
      ],
    ],
  };
}

/** From a contact to its flag, as far as the words begin. */
function leader(from: Point, { at, words, sizeMm }: PlacedLabel): string {
  const half = wordsWidthMm({ words, sizeMm }) / 2;
  const x = Math.max(at.xMm - half, Math.min(at.xMm + half, from.xMm));
  return line(from, point(x, at.yMm), 'stroke="#000" stroke-width="0.2" fill="none"');
}

/** Whether a wire is drawn as a line: both ends on these boards, and neither of them a pad. */
const isDrawn = ({ from, to, phase }: Wire, boards: Set<string>) =>
  phase !== "links" && boards.has(from.boardId) && !isPad(from) && !isPad(to);

/**
 * Some boards of a design from one side: parts, added parts, the module with its pads, wires from contact to contact,
 * and a flag at each end of a wire that leads to a pad or to another board. Names lie where fewest wires run.
 */
export function wireDrawing(design: Design, allWires: Wire[], boardIds: string[], mirrored: boolean): string {
  const boards = new Set(boardIds);
  const sight: Sight = {
    design,
    boards,
    wires: allWires.filter(({ from, to }) => boards.has(from.boardId) || boards.has(to.boardId)),
    links: linkConnectors(design).filter((link) => link.boardIds.some((id) => boards.has(id))),
    see: (p) => (mirrored ? point(-p.xMm, p.yMm) : point(p.xMm, p.yMm)),
  };
  const ground = boardsAndBodies(sight);
  const inline = inlineParts(sight);
  const modules = derive(design).controllers.map((placed) => moduleMarks(placed, sight));
  const connectors = sight.links.flatMap((link) =>
    link.boardIds.filter((id) => boards.has(id)).map((id) => connectorMarks(link, id, sight)),
  );
  const drawn = sight.wires.filter((wire) => isDrawn(wire, boards));
  const segments: Segment[] = drawn.map(({ from, to }) => ({ from: sight.see(from.at), to: sight.see(to.at) }));
  const ends = farEnds(sight);
  const flags = ends.map(({ end, words }) => ({
    words,
    sizeMm: FLAG_MM,
    places: around(sight.see(end.at), FLAG_AWAY_MM),
  }));
  const names = nameLabels(sight);
  const covered = modules.flatMap(({ rings }) => rings).map((ring) => boxAround([ring], 6));
  const placed = placeLabels([...names, ...flags], segments, covered);
  const rings = [...ground.rings, ...modules.flatMap((m) => m.rings), ...connectors.flatMap((c) => c.rings)];
  const box = boxAround([...rings, segments.flatMap(({ from, to }) => [from, to]), placed.map(({ at }) => at)], 6);
  const legend = wireLegend(box, sight.wires.map(({ phase }) => phase) as Phase[], {
    hasFlags: ends.length > 0,
    hasLinks: sight.links.length > 0,
    sorts: new Set(inline.map(({ part }) => part.sort)),
  });
  const marks = [
    ...ground.marks,
    ...addedMarks(sight),
    ...segments.map(({ from, to }, nth) => line(from, to, wireStyle(drawn[nth]))),
    ...inline.map(({ part, at, middle }) => inlineMark(part, sight.see(at), sight.see(middle))),
    ...modules.flatMap((m) => m.marks),
    ...connectors.flatMap((c) => c.marks),
    ...ends.map(({ end }, nth) => leader(sight.see(end.at), placed[names.length + nth])),
    ...placed.map(({ at, words, sizeMm }, nth) =>
      text(at, sizeMm, words, nth < names.length ? 'class="halo"' : 'class="halo" font-weight="bold"'),
    ),
    legend.marks,
  ];
  return `${svgOpen(legend.box)}<style>text{font-family:sans-serif}.halo{paint-order:stroke;stroke:#fff;stroke-width:0.9;stroke-linejoin:round}</style>${marks.join("\n")}</svg>`;
}
