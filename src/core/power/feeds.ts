import { GROUND, RAIL_3V3, RAIL_5V, RAIL_BOARD_5V, RAIL_IN, SUPPLY } from "../circuits/net";
import type { Derived } from "../derived/derive";
import { SUPPLY_STEM } from "../derived/supplyParts";
import { powerOf } from "./profilePower";
import { DIODE_V } from "./seriesPart";
import type { SeriesPart } from "./seriesPart";
import type { SupplyNet } from "./supplyNets";

/** What the module's own 5 V regulator gives behind a pad that takes more. */
const PASS_V = 5;
/** Above this an outside supply needs such a regulator. */
const MOST_PASSED_V = 5.6;
/** Logic below this stands behind a regulator of the module. */
const REGULATED_BELOW_V = 4.5;

export const isRegulated = (logicV: number): boolean => logicV < REGULATED_BELOW_V;

/** A hand-over of current from one place to the root of a net. */
export interface Feed {
  netId: string;
  /** End of another net, or the module's entry, or a source of its own. */
  from: { at: "entry" } | { at: "outside" } | { at: "end"; netId: string; end: string };
  /** What of the voltage arrives. */
  arrives(volts: number): number;
  part: Pick<SeriesPart, "id" | "title">;
}

const entry = { at: "entry" } as const;
const through = { id: "pass", title: "the module's supply pad" } as const;
const regulator = { id: "regulator", title: "the module's regulator" } as const;
const selector = { id: "selector", title: "the selector jumper" } as const;
const lightDiode = { id: "light diode", title: "the diode before the lights" } as const;
const asIs = (volts: number) => volts;

/** The source as the module's pads pass it on. */
const passed = ({ design: { supply } }: Derived, netId: string): Feed => {
  const isHigh = supply.source.kind === "outside" && supply.source.volts > MOST_PASSED_V;
  return { netId, from: entry, arrives: isHigh ? (volts) => Math.min(volts, PASS_V) : asIs, part: through };
};

/** A rail behind the module's regulator: its own voltage as long as enough stays for the regulator. */
function regulated({ profile }: Derived, netId: string, volts: number): Feed {
  const dropoutV = (profile && powerOf(profile).regulator?.dropoutV) ?? 0;
  return {
    netId,
    from: entry,
    arrives: (before) => Math.max(0, Math.min(volts, before - dropoutV)),
    part: regulator,
  };
}

/** The 5 V rail: from the module, or from where its jumper stands. */
function fiveVolt(derived: Derived): Feed {
  const { outside } = derived.design.supply;
  if (!outside) return passed(derived, RAIL_5V);
  if (outside.isChosen) return { netId: RAIL_5V, from: { at: "outside" }, arrives: asIs, part: selector };
  // On a 5 V board the module's own 5 V is the logic's rail.
  const netId = derived.netById.has(RAIL_BOARD_5V) ? RAIL_BOARD_5V : SUPPLY;
  const from = { at: "end" as const, netId, end: `${SUPPLY_STEM}.JP1.board` };
  return { netId: RAIL_5V, from, arrives: asIs, part: selector };
}

/** A net that a diode hands on, as the lights' lowered supply. */
function behindDiode({ shunts }: Derived, netId: string): Feed[] {
  const diode = shunts.find(({ to, sort }) => to === netId && sort === "diode");
  if (!diode || netId.startsWith(`${SUPPLY_STEM}.`)) return [];
  const arrives = (volts: number) => Math.max(0, volts - DIODE_V.silicon);
  return [{ netId, from: { at: "end", netId: diode.from, end: `${diode.id}.1` }, arrives, part: lightDiode }];
}

/** How one net gets its current: nothing for ground, or where nobody knows. */
export function feedsOfNet(derived: Derived, netId: string): Feed[] {
  const logicV = derived.profile?.logicV ?? PASS_V;
  if (netId === GROUND || netId === RAIL_IN) return [];
  if (netId === SUPPLY) return [isRegulated(logicV) ? regulated(derived, netId, logicV) : passed(derived, netId)];
  if (netId === RAIL_3V3) return [regulated(derived, netId, 3.3)];
  if (netId === RAIL_BOARD_5V) return [passed(derived, netId)];
  return netId === RAIL_5V ? [fiveVolt(derived)] : behindDiode(derived, netId);
}

/** How each supply net of a design gets its current. */
export const feedsOf = (derived: Derived, nets: SupplyNet[]): Feed[] =>
  nets.flatMap(({ net }) => feedsOfNet(derived, net.id));
