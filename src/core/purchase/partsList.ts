import type { Key } from "../catalogue/kinds/key";
import { addedParts, priceOf } from "../catalogue/prices";
import { keysOf, missingBySize } from "../capsets/coverage";
import { derive } from "../derived/derive";
import { conductorsOf } from "../derived/linkEnds";
import type { Design } from "../document/schema";
import { ohmOf, ohmWords } from "../electrics/ohmWords";
import { boundsOf } from "../geometry/outline";
import { smallPartValues } from "../power/smallPartValues";
import { linkConnectors, partConnectors } from "../wires/connectors";
import { cutList, metresOf } from "../wires/cutList";
import { partNames, smallPartsOf } from "../wires/partNames";
import { wiresByHand } from "../wires/wiresByHand";
import { boardOfAdded } from "../wires/wires";
import { casesOf, fixingPart, screwsOf } from "./caseParts";
import { type One, type PartsLine, lines } from "./partsLine";
import { isSocketed } from "../document/buildSettings";
import { edgeOf, hasPlate, isMadeBoard, isSurfaceBoard } from "../making/boardMade";

function controllers(design: Design): PartsLine[] {
  const placed = derive(design).controllers;
  const own = placed.flatMap(({ profile }, nth) =>
    profile
      ? [
          {
            name: profile.title,
            price: priceOf(profile.id, design.brief.prices, profile.price),
            of: `A${nth + 1}`,
            profile,
          },
        ]
      : [],
  );
  const support = addedParts.find(({ id }) => id === "chip-support")!;
  const bare = own.filter(({ profile }) => profile.form === "chip");
  return [
    ...lines("controllers", own),
    ...lines(
      "controllers",
      bare.map(({ of }) => ({ name: support.title, price: priceOf(support.id, design.brief.prices), of })),
    ),
  ];
}

function controls(design: Design): PartsLine[] {
  const names = partNames(design).controls;
  return lines(
    "controls",
    design.controls.flatMap((control): One[] => {
      const of = names.get(control.id)!;
      if (control.kind === "fixing") return fixingPart(design, control, of);
      const { title, price } = derive(design).partOf(control);
      return [{ name: title, price, of }];
    }),
  );
}

/** Caps and stabilisers of keys whose switch carries no cap of its own. */
function caps(design: Design): PartsLine[] {
  const names = partNames(design).controls;
  const capped = keysOf(design).filter((key) => derive(design).partOf(key).cap === null);
  const groupName = ({ groupId }: Key) => design.groups.find(({ id }) => id === groupId)?.name;
  const bySize = missingBySize(capped).flatMap(({ words, keys }) =>
    keys.map((key): One => {
      const colour = groupName(key);
      return { name: `Cap ${words}${colour ? `, ${colour}` : ""}`, price: null, of: names.get(key.id)! };
    }),
  );
  const guided = capped.filter(({ stabiliser }) => stabiliser);
  return [
    ...lines("caps", bySize),
    ...knobs(design),
    ...lines(
      "caps",
      guided.map((key) => ({
        name: `Stabiliser for ${Math.max(key.widthU, key.heightU)} u`,
        price: null,
        of: names.get(key.id)!,
      })),
    ),
  ];
}

/** What is turned wants something to take hold of; slides carry their own. */
function knobs(design: Design): PartsLine[] {
  const names = partNames(design).controls;
  const turned = design.controls.filter(
    (control) =>
      control.kind === "encoder" ||
      control.kind === "concentric" ||
      (control.kind === "pot" && control.motion === "turn"),
  );
  return lines(
    "caps",
    turned.map((control) => ({
      name: `${control.kind === "concentric" ? "Pair of knobs" : "Knob"} for ${derive(design).partOf(control).title}`,
      price: null,
      of: names.get(control.id)!,
    })),
  );
}

function chips(design: Design): PartsLine[] {
  const names = partNames(design).chips;
  return lines(
    "added parts",
    derive(design).chips.map(({ id, title, part }) => ({
      name: title,
      price: priceOf(part, design.brief.prices),
      of: names.get(id)!,
    })),
  );
}

/** 4,700 Ω and 4.7 kΩ are one part. */
const written = (value: string) => {
  const ohm = ohmOf(value);
  return ohm === null ? value : ohmWords(ohm);
};

function smallParts(design: Design): PartsLine[] {
  const values = smallPartValues(design);
  return lines(
    "small parts",
    smallPartsOf(design).map(({ part, sort }) => ({
      name: `${sort === "diode" ? "Diode" : "Resistor"} ${written(values.get(part)!)}`,
      price: priceOf(sort, design.brief.prices),
      of: part,
    })),
  );
}

/** Packages from so many terminals on are put into sockets, unless they lie in paste. */
const SOCKETED_FROM = 14;

/** For dual-in-line packages, and for modules that are to come off again. */
function sockets(design: Design): PartsLine[] {
  const { chips: all, controllers: placed } = derive(design);
  const names = partNames(design).chips;
  const leaded = all.filter(
    ({ id, terminals }) => terminals.length >= SOCKETED_FROM && !isSurfaceBoard(design, boardOfAdded(id, design)),
  );
  const rows = placed.flatMap(({ controller, profile }, nth) =>
    profile && isSocketed(design, controller.id)
      ? [{ name: `Socket rows for ${profile.pins.length} pins`, price: null, of: `A${nth + 1}` }]
      : [],
  );
  return [
    ...lines(
      "plugs",
      leaded.map(({ id, terminals }) => ({
        name: `Chip socket, ${terminals.length} pins`,
        price: null,
        of: names.get(id)!,
      })),
    ),
    ...lines("plugs", rows),
  ];
}

/** Of loose parts and between boards; and the cables between controllers, whose plugs are added parts. */
function plugs(design: Design): PartsLine[] {
  const all = [...partConnectors(design), ...linkConnectors(design)];
  const cables = (design.partLinks ?? []).map((link) => ({
    name: `Cable, ${conductorsOf(link).length} conductors`,
    price: null,
    of: link.id,
  }));
  return [
    ...sockets(design),
    ...lines(
      "plugs",
      all.map(({ name, pins }) => ({
        name: `Plug and socket, ${pins.length} way${pins.length === 1 ? "" : "s"}`,
        price: null,
        of: name,
      })),
    ),
    ...lines("plugs", cables),
  ];
}

const wire = (design: Design): PartsLine[] =>
  metresOf(cutList(wiresByHand(design))).map(({ colour, mm2, metres }) => ({
    group: "wire",
    name: `Wire ${mm2} mm², ${colour}`,
    count: metres,
    unit: "m",
    priceEach: null,
    of: [],
  }));

/** What a made board of a size costs a piece by the first price step that it fits, in money units; null beyond all. */
function boardPrice({ making }: Design, [across, down]: number[]): number | null {
  const [long, short] = [Math.max(across, down), Math.min(across, down)];
  const step = making.priceSteps.find(
    ({ upToWidthMm, upToHeightMm }) =>
      long <= Math.max(upToWidthMm, upToHeightMm) && short <= Math.min(upToWidthMm, upToHeightMm),
  );
  return step ? step.price / step.pieces : null;
}

/** Plates, made boards and stencils of each board that has an edge, by its size along the axes. */
function plates(design: Design): PartsLine[] {
  const sized = design.boards.flatMap((board): One[] => {
    const ring = edgeOf(design, board);
    const box = ring && boundsOf([{ core: ring, radiusMm: 0 }]);
    if (!box) return [];
    const size = [box.maxXMm - box.minXMm, box.maxYMm - box.minYMm].map((mm) => Math.ceil(mm));
    const words = `${size.join(" × ")} mm`;
    const plate = `Plate ${words}, ${board.plate.material} ${board.plate.thicknessMm} mm`;
    return [
      ...(hasPlate(design, board) ? [{ name: plate, price: null, of: board.name }] : []),
      ...(isMadeBoard(design, board.id)
        ? [{ name: `Made board ${words}`, price: boardPrice(design, size), of: board.name }]
        : []),
      ...(isSurfaceBoard(design, board.id) ? [{ name: `Stencil ${words}`, price: null, of: board.name }] : []),
    ];
  });
  return lines("plates", sized);
}

/**
 * What a design is made of: everything that must be bought or made for one device, alike parts on one line. Diodes, resistors and added parts are those of
 * the netlist, each once; wire is that of the wire list.
 */
export const partsList = (design: Design): PartsLine[] =>
  derive(design).once("parts list", () => [
    ...controllers(design),
    ...controls(design),
    ...caps(design),
    ...chips(design),
    ...smallParts(design),
    ...plugs(design),
    ...wire(design),
    ...plates(design),
    ...lines("plates", [...screwsOf(design), ...casesOf(design)]),
  ]);
