import { unmetBy } from "../../brief/mustHaves";
import { wishTroubles } from "../../brief/wishFit";
import { boardRings } from "../../layout/boardOutline";
import { boundsOf } from "../../geometry/outline";
import type { Design } from "../../document/schema";
import { interfaceFaces } from "../../hid/interfaceKinds";
import { type Observation, type Rule, listed } from "../finding";

/** Side of a board up to which board houses have their lowest price (common practice). */
const CHEAP_MM = 100;

function sizeTroubles(design: Design): string[] {
  const { wish } = design.brief;
  if (!wish.fits100 || design.controls.length === 0) return [];
  return boardRings(design).flatMap((ring, nth) => {
    const box = ring && boundsOf([{ core: ring, radiusMm: 0 }]);
    if (!box) return [];
    const [width, height] = [box.maxXMm - box.minXMm, box.maxYMm - box.minYMm];
    if (width <= CHEAP_MM && height <= CHEAP_MM) return [];
    return [
      `${design.boards[nth].name} is ${Math.round(width)} × ${Math.round(height)} mm; the brief wishes ${CHEAP_MM} × ${CHEAP_MM}`,
    ];
  });
}

const NO_MUSIC: Observation = {
  message: "The brief wishes a music device; the device declares no music.",
  subjects: [],
  fixes: [
    {
      title: `Declare ${interfaceFaces.music.title}`,
      apply: (d) => ({ ...d, reportSet: { ...d.reportSet, interfaces: [...d.reportSet.interfaces, "music"] } }),
    },
  ],
};

/** What the brief asks for beside counts, held against the controller and the boards as they are. */
export const wishUnmet: Rule = {
  id: "brief/wish-unmet",
  stage: "brief",
  severity: "warn",
  why: "What was a must at the start is easily lost on the way; better told now than after ordering.",
  source: "the brief, the controller class and the boards",
  check(design, { profile }) {
    const { wish } = design.brief;
    const ofBoard = profile ? unmetBy(wish, profile) : [];
    const troubles = [
      ...(profile && ofBoard.length > 0 ? [`The ${profile.title} ${listed(ofBoard)}`] : []),
      ...sizeTroubles(design),
      ...wishTroubles(wish, design.pitch, design.making).map((words) => words.replace(/\.$/, "")),
    ];
    const silent = wish.connection === "usb-midi" && !design.reportSet.interfaces.includes("music");
    return [...troubles.map((words) => ({ message: `${words}.`, subjects: [] })), ...(silent ? [NO_MUSIC] : [])];
  },
};
