import { controllerCatalogue } from "../../catalogue/controllers";
import { busNeed, interruptNeed } from "../../circuits/net";
import { type BriefOption, lotsOf } from "../option";
import { pinRoomOf } from "../pinRoom";
import { planBrief } from "../plan";
import type { PinLot } from "../strategies/strategy";
import { moduleTimes } from "../../contract/link";
import { MODULES_ON_A_BUS, frameMs } from "./partLink";
import { type ApartSetting, type ApartWay, SUPPLY, wayOf } from "./way";

const SERIAL_LINK: PinLot[] = [
  { what: "line to the other", need: busNeed("uart", "TX"), count: 1 },
  { what: "line from the other", need: busNeed("uart", "RX"), count: 1 },
];
const BUS_LINK: PinLot[] = [
  { what: "bus clock", need: busNeed("i2c", "SCL"), count: 1 },
  { what: "bus data", need: busNeed("i2c", "SDA"), count: 1 },
  { what: "interrupt line", need: interruptNeed, count: 1 },
];

/**
 * The best plan for the far part by itself that also has the lines of a link: with a controller like the near one where that fits, so that
 * one spare serves both, else with the best class.
 */
function farOption({ wish, design, option, profile: near }: ApartSetting, link: PinLot[]): BriefOption | null {
  const fits = ({ plan, profile, fits: hasRoom, unmet }: BriefOption) => {
    const lots = lotsOf(wish, plan, profile, option);
    return hasRoom && unmet.length === 0 && lots !== null && pinRoomOf([...lots, ...link], profile).fits;
  };
  const alike = planBrief(wish, [near], option).find(fits);
  return alike ?? planBrief(wish, [...controllerCatalogue, ...design.profiles], option).find(fits) ?? null;
}

interface OwnController extends Pick<ApartWay, "id" | "title" | "conductors" | "laterMs" | "breaks"> {
  link: PinLot[];
}

const NO_CLASS = "no controller class has room for that part and the link";

function withController(setting: ApartSetting, { link, ...way }: OwnController): ApartWay {
  const far = farOption(setting, link);
  const lines = pinRoomOf(link, setting.profile);
  const lacks = lines.fits
    ? null
    : `the near controller has no ${lines.short.map(({ what }) => what).join(" and no ")}`;
  return wayOf(setting, {
    ...way,
    nearPins: setting.nearPins + link.length,
    parts: far?.parts ?? {},
    controller: far?.profile.title ?? null,
    profileId: far?.profile.id ?? null,
    money: far?.money ?? 0,
    lacks: far ? lacks : NO_CLASS,
  });
}

/** The far part has a controller of its own: on a line, on a bus, or as a device of its own. */
export function ownController(setting: ApartSetting): ApartWay[] {
  const serialMs = frameMs(setting.inputs);
  const ways: OwnController[] = [
    {
      id: "serial",
      title: "Two controllers, a serial line",
      link: SERIAL_LINK,
      conductors: [...SUPPLY, "to the far part", "from the far part"],
      // The near one looks once a millisecond at what came.
      laterMs: { least: serialMs, most: serialMs + 1 },
      breaks: ["a broken line silences the far part, and only it", "both must be loaded with what belongs together"],
    },
    {
      id: "bus-module",
      title: "A module with a controller, on a bus",
      link: BUS_LINK,
      conductors: [...SUPPLY, "clock", "data", "interrupt"],
      laterMs: moduleTimes(Math.min(setting.modules, MODULES_ON_A_BUS), true),
      breaks: [
        `${MODULES_ON_A_BUS} modules at most, each loaded as the number that it answers to`,
        "on a shared line all are asked in turn, one in each millisecond, until it is let go; a line each takes a pin more for each",
        "only the main part can have the plug",
      ],
    },
    {
      id: "own-plug",
      title: "Two devices, a plug each",
      link: [],
      conductors: [],
      laterMs: { least: 0, most: 0 },
      breaks: [
        "a layer key on one part changes nothing on the other",
        "two sockets of the computer, and no order between the parts",
      ],
    },
  ];
  return ways.map((way) => withController(setting, way));
}
