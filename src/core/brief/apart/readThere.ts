import { type PartCounts, priceOf, sumParts } from "../../catalogue/prices";
import { needsOf } from "../needs";
import { type OptionSetting, lotsOf } from "../option";
import { joinLots } from "../pinRoom";
import { switchStrategyNamed } from "../strategies";
import { devicesPlan } from "../strategies/devices";
import type { PinLot } from "../strategies/strategy";
import { type ApartSetting, type ApartWay, SUPPLY, wayOf } from "./way";

const WAYS: { id: string; title: string; breaks: string[] }[] = [
  {
    id: "input-registers",
    title: "One controller, a chain of registers there",
    breaks: ["one broken conductor silences the whole part", "clock and data want to stay short, or slow"],
  },
  {
    id: "bus-expanders",
    title: "One controller, expanders on a bus there",
    breaks: [
      "a short on the bus stops all that hangs on it",
      "the cable counts with what the bus may carry: 400 pF in all",
    ],
  },
];

/** What else of the far part needs a line of its own, however its switches are read. */
const besides = ({ wish, profile, option }: ApartSetting): PinLot[] =>
  lotsOf(
    { ...wish, keys: 0, toggles: 0, ladderPads: 0, fiveWays: 0, encoders: 0, concentrics: 0, stickPush: false },
    {
      profileId: profile.id,
      switchStrategy: "direct",
      lampStrategy: "direct",
      voltageStrategy: "direct",
      turnStrategy: "direct",
    },
    profile,
    option,
  ) ?? [];

const BUS_LINES: Record<string, string> = { SCL: "clock", SDA: "data" };

const namesOf = (lots: PinLot[]) =>
  joinLots(lots).flatMap(({ what, need, count }) => {
    const name = (need.bus && BUS_LINES[need.bus.line]) || what;
    return count === 1 ? [name] : Array.from({ length: count }, (_, nth) => `${name} ${nth + 1}`);
  });

const moneyOf = (parts: PartCounts, { brief }: OptionSetting) =>
  Object.entries(parts).reduce((sum, [id, count]) => sum + count * priceOf(id, brief.prices), 0);

/** One controller reads the far part over few conductors, through parts that are added there. */
export function readThere(setting: ApartSetting): ApartWay[] {
  const { wish, profile, nearPins, option } = setting;
  const { switches, turns } = needsOf(wish);
  if (switches + turns === 0) return [];
  return WAYS.flatMap(({ id, title, breaks }) => {
    const context = { wish, profile, matrixShape: null, settleUs: option.settleUs };
    const cost = switchStrategyNamed(id)!.cost({ switches, turns }, context);
    if (!cost) return [];
    const parts = sumParts([cost.parts, devicesPlan(context).parts]);
    const lines = namesOf([...cost.pins, ...besides(setting)]);
    const readMs = cost.readUs / 1000;
    return [
      wayOf(setting, {
        id,
        title,
        conductors: [...SUPPLY, ...lines],
        nearPins: nearPins + lines.length,
        parts,
        controller: null,
        profileId: null,
        money: moneyOf(parts, option),
        laterMs: { least: readMs, most: readMs },
        breaks,
        lacks: null,
      }),
    ];
  });
}
