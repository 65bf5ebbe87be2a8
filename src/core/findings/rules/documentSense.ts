import { kindOf } from "../../catalogue/kinds";
import { circuitKindOf } from "../../circuits";
import { tidyPins } from "../../edits/tidyPins";
import { addLink, changeLink, removeLink } from "../../edits/boards";
import { setLampRule } from "../../edits/keymap";
import type { Design } from "../../document/schema";
import { conductorsAcross } from "../../wires/across";
import { type Rule, controlSubject, counted, listed } from "../finding";

const NAMED = 5;
const some = (names: string[]) =>
  listed([...names.slice(0, NAMED), ...(names.length > NAMED ? [`${names.length - NAMED} more`] : [])]);

/** Members that a circuit cannot hold, or that are nobody's. */
export const wrongMember: Rule = {
  id: "wiring/wrong-member",
  stage: "wiring",
  severity: "stop",
  why: "A part that stands in a circuit of the wrong kind looks wired and is not.",
  source: "follows from the circuits",
  check(design, { elements }) {
    return design.circuits.flatMap((circuit) => {
      const kind = circuitKindOf(circuit);
      const wrong = kind.members(circuit).filter((id) => {
        const element = elements.get(id);
        return !element || !kind.takes(element);
      });
      if (wrong.length === 0) return [];
      const names = wrong.map((id) => elements.get(id)?.label ?? `"${id}"`);
      return [
        {
          message: `${some(names)} ${wrong.length === 1 ? "stands" : "stand"} in ${circuit.name} (${kind.title.toLowerCase()}), which cannot hold ${wrong.length === 1 ? "it" : "them"}.`,
          subjects: wrong.filter((id) => elements.has(id)).map((id) => ({ kind: "element" as const, id })),
          fixes: [
            {
              title: `Take ${wrong.length === 1 ? "it" : "them"} out`,
              apply: (d) => ({
                ...d,
                circuits: d.circuits.map((one) =>
                  one.id === circuit.id ? wrong.reduce((left, id) => circuitKindOf(left).without(left, id), one) : one,
                ),
              }),
            },
          ],
        },
      ];
    });
  },
};

/** Two switches of a two-way matrix at one crossing and one way; lamps from a line to itself, or two between one pair. */
export const samePlace: Rule = {
  id: "wiring/same-place",
  stage: "wiring",
  severity: "stop",
  why: "Two parts at one place are told, or lit, as one; a lamp from a line to itself never lights.",
  source: "follows from the circuits",
  check(design, { elements }) {
    const label = (id: string) => elements.get(id)?.label ?? id;
    return design.circuits.flatMap((circuit) => {
      const places: [string, string][] =
        circuit.kind === "two-way-matrix"
          ? Object.entries(circuit.cells).map(([id, { row, column, way }]) => [
              id,
              `R${row + 1} C${column + 1}, ${way.replaceAll("-", " ")}`,
            ])
          : circuit.kind === "charlieplex"
            ? Object.entries(circuit.pairs).map(([id, { from, to }]) => [id, `X${from + 1} to X${to + 1}`])
            : [];
      const at = new Map<string, string[]>();
      for (const [id, place] of places) at.set(place, [...(at.get(place) ?? []), id]);
      const loops =
        circuit.kind === "charlieplex"
          ? Object.keys(circuit.pairs).filter((id) => circuit.pairs[id].from === circuit.pairs[id].to)
          : [];
      const again = (ids: string[]) => ({
        title: `Give ${listed(ids.map(label))} ${ids.length === 1 ? "a place" : "places"} of ${ids.length === 1 ? "its" : "their"} own`,
        apply: (d: Design): Design => {
          const kind = circuitKindOf(circuit);
          const cleared = ids.reduce((left, id) => kind.without(left, id), circuit);
          return { ...d, circuits: d.circuits.map((one) => (one.id === circuit.id ? kind.with(cleared, ids) : one)) };
        },
      });
      return [
        ...[...at].flatMap(([place, ids]) =>
          ids.length < 2
            ? []
            : [
                {
                  message: `${listed(ids.map(label))} of ${circuit.name} are at the same place: ${place}.`,
                  subjects: ids.map((id) => ({ kind: "element" as const, id })),
                  fixes: [again(ids.slice(1))],
                },
              ],
        ),
        ...loops.map((id) => ({
          message: `${label(id)} of ${circuit.name} leads from a line to itself and never lights.`,
          subjects: [{ kind: "element" as const, id }],
          fixes: [again([id])],
        })),
      ];
    });
  },
};

/** Lamps that show a layer that is not there, and bindings of inputs that are not there. */
export const danglingKeymap: Rule = {
  id: "keymap/dangling",
  stage: "keymap",
  severity: "note",
  why: "What is bound to something that is gone does nothing, and is found nowhere on the mat.",
  source: "follows from the keymap",
  check(design, { inputs, controls }) {
    const layers = new Set(design.keymap.layers.map(({ id }) => id));
    const known = new Set(inputs.map(({ id }) => id));
    const lamps = Object.entries(design.keymap.lamps).flatMap(([id, rule]) => {
      if (rule.when !== "layer" || layers.has(rule.layerId)) return [];
      return [
        {
          severity: "warn" as const,
          message: `${controls.get(id)?.label ?? id} shows a layer that is gone; it stays dark.`,
          subjects: controls.has(id) ? [controlSubject(id)] : [],
          fixes: [{ title: "Let it show nothing", apply: (d: Design) => setLampRule(d, id, { when: "never" }) }],
        },
      ];
    });
    const lost = design.keymap.layers.flatMap(({ name, bindings }) => {
      const ids = Object.keys(bindings).filter((id) => !known.has(id));
      return ids.length === 0 ? [] : [{ name, ids }];
    });
    const bindings = lost.map(({ name, ids }) => ({
      message: `${name} binds ${counted(ids.length, "input")} that the device does not have.`,
      subjects: [],
      fixes: [
        {
          title: "Forget them",
          apply: (d: Design): Design => ({
            ...d,
            keymap: {
              ...d.keymap,
              layers: d.keymap.layers.map((layer) => ({
                ...layer,
                bindings: Object.fromEntries(Object.entries(layer.bindings).filter(([id]) => known.has(id))),
              })),
            },
          }),
        },
      ],
    }));
    return [...lamps, ...bindings];
  },
};

/** Cables between boards: to boards that are not there, missing where nets cross, or with too few conductors. */
export const links: Rule = {
  id: "wiring/links",
  stage: "wiring",
  severity: "warn",
  why: "Boards that share nets need a cable with a conductor for each of them.",
  source: "follows from the nets and the boards",
  check(design) {
    const name = (id: string) => design.boards.find((board) => board.id === id)?.name;
    const gone = design.links.flatMap((link) =>
      name(link.fromBoardId) && name(link.toBoardId)
        ? []
        : [
            {
              message: `${link.name} leads to a board that is gone.`,
              subjects: [],
              fixes: [{ title: `Remove ${link.name}`, apply: (d: Design) => removeLink(d, link.id) }],
            },
          ],
    );
    const pairs = design.boards.flatMap((one, nth) =>
      design.boards.slice(nth + 1).map((other) => [one, other] as const),
    );
    const short = pairs.flatMap(([one, other]) => {
      const across = conductorsAcross(design, one.id, other.id);
      const joins = ({ fromBoardId, toBoardId }: Design["links"][number]) =>
        (fromBoardId === one.id && toBoardId === other.id) || (fromBoardId === other.id && toBoardId === one.id);
      const cables = design.links.filter(joins);
      const have = cables.reduce((sum, { conductors }) => sum + conductors.length, 0);
      if (across.length === 0 || (cables.length > 0 && have >= across.length)) return [];
      return [
        {
          severity: cables.length === 0 ? ("note" as const) : ("warn" as const),
          message:
            cables.length === 0
              ? `${counted(across.length, "wire")} run between ${one.name} and ${other.name}, and no cable is planned.`
              : `${listed(cables.map((cable) => cable.name))} between ${one.name} and ${other.name} has ${counted(have, "conductor")}; ${across.length} nets cross.`,
          subjects: [],
          fixes: [
            {
              title: cables.length === 0 ? "Plan a cable" : "Give it a conductor for each net",
              apply: (d: Design): Design =>
                cables.length === 0
                  ? addLink(d, freeLinkId(d), one.id, other.id, across.slice(0, 100))
                  : changeLink(d, cables[0].id, { conductors: across.slice(0, 100) }),
            },
          ],
        },
      ];
    });
    return [...gone, ...short];
  },
};

function freeLinkId({ links: all }: Design): string {
  let number = all.length + 1;
  while (all.some(({ id }) => id === `link-${number}`)) number += 1;
  return `link-${number}`;
}

/** Pin choices of nets that are gone, or of a controller that is gone. */
export const stalePins: Rule = {
  id: "pins/stale",
  stage: "pins",
  severity: "warn",
  why: "A pin that is kept for nothing is missing elsewhere.",
  source: "follows from the pin plan",
  check(design, { netById }) {
    const controllers = new Set(design.controllers.map(({ id }) => id));
    const stale = Object.entries(design.pinPlan).filter(
      ([netId, { controllerId }]) => !netById.has(netId) || !controllers.has(controllerId),
    );
    if (stale.length === 0) return [];
    const pins = some(stale.map(([, { pin }]) => pin));
    return [
      {
        message: `${pins} ${stale.length === 1 ? "is" : "are"} kept for ${counted(stale.length, "net")} or a controller that the design does not have.`,
        subjects: [],
        fixes: [
          {
            title: `Free ${stale.length === 1 ? "it" : "them"}`,
            apply: (d) =>
              tidyPins({
                ...d,
                pinPlan: Object.fromEntries(
                  Object.entries(d.pinPlan).filter(([, { controllerId }]) => controllers.has(controllerId)),
                ),
              }),
          },
        ],
      },
    ];
  },
};

/** The same interface declared twice. */
export const interfaceTwice: Rule = {
  id: "reports/interface-twice",
  stage: "reports",
  severity: "warn",
  why: "The device would declare the same reports on two interfaces; only the first is used.",
  source: "follows from the report set",
  check(design) {
    const { interfaces } = design.reportSet;
    const once = [...new Set(interfaces)];
    if (once.length === interfaces.length) return [];
    return [
      {
        message: `The device declares ${listed(interfaces)}: ${counted(interfaces.length - once.length, "interface")} too many.`,
        subjects: [],
        fixes: [
          {
            title: "Declare each once",
            apply: (d) => ({ ...d, reportSet: { ...d.reportSet, interfaces: once } }),
          },
        ],
      },
    ];
  },
};

/** Parts that are unknown, or that belong to another kind of control. */
export const wrongPart: Rule = {
  id: "layout/wrong-part",
  stage: "layout",
  severity: "warn",
  why: "Openings, room and distances are taken from the part; with a wrong one the plate does not fit.",
  source: "the parts catalogue and the design's own parts",
  check(design, { parts }) {
    return design.controls.flatMap((control) => {
      const part = parts.get(control.partId);
      if (part?.kind === control.kind) return [];
      const usual = kindOf(control).partId;
      return [
        {
          message: part
            ? `${control.label} is ${kindOf(control).article} with the part "${part.title}", which is made for something else.`
            : `${control.label} has a part "${control.partId}" that is not described; ${parts.get(usual)?.title ?? "the usual one"} is drawn instead.`,
          subjects: [controlSubject(control.id)],
          fixes: [
            {
              title: `Take ${parts.get(usual)?.title ?? "the usual part"}`,
              apply: (d) => ({
                ...d,
                controls: d.controls.map((one) => (one.id === control.id ? { ...one, partId: usual } : one)),
              }),
            },
          ],
        },
      ];
    });
  },
};

/** A controller class of one's own whose pads or limits contradict each other. */
export const classSense: Rule = {
  id: "pins/class-sense",
  stage: "pins",
  severity: "warn",
  why: "Plans are only as right as the class they are made for.",
  source: "follows from the class",
  check(_design, { profile }) {
    if (!profile) return [];
    const names = profile.pins.filter(({ role }) => role === "io").map(({ name }) => name);
    const twice = [...new Set(names.filter((name, nth) => names.indexOf(name) !== nth))];
    const wrong = [
      ...(twice.length > 0 ? [`two I/O pads are called ${listed(twice)}`] : []),
      ...(profile.inputLowMaxV >= profile.inputHighMinV
        ? [`a level of ${profile.inputLowMaxV} V would be low and high at once`]
        : []),
      ...(profile.pullUpMinOhm > profile.pullUpMaxOhm ? ["its weakest pull-up is stronger than its strongest"] : []),
      ...(profile.pinCurrentMa > profile.allPinsCurrentMa ? ["one pin gives more than all pins together"] : []),
      ...(profile.inputHighMinV > profile.logicV ? ["an input is never surely high at its own voltage"] : []),
    ];
    if (wrong.length === 0) return [];
    return [{ message: `The class ${profile.title} contradicts itself: ${wrong.join("; ")}.`, subjects: [] }];
  },
};

/** A switch on a pin that decides something while the board starts. */
export const startUpPin: Rule = {
  id: "pins/start-up",
  stage: "pins",
  severity: "note",
  why: "A key that is held while the device is plugged in would start it another way, or not at all.",
  source: "the controller profile",
  check(design, { profile, signalNets }) {
    if (!profile) return [];
    return signalNets.flatMap((net) => {
      const name = Object.hasOwn(design.pinPlan, net.id) ? design.pinPlan[net.id].pin : null;
      const pin = profile.pins.find((one) => one.name === name && one.role === "io");
      if (!pin?.boot || !net.need?.input || net.role === "bus") return [];
      return [
        {
          message: `${net.flag} is on ${pin.name}, and a contact closed at the start decides there: ${pin.boot}.`,
          subjects: [
            { kind: "net" as const, id: net.id },
            { kind: "pin" as const, id: pin.name },
          ],
        },
      ];
    });
  },
};
