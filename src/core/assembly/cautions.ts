import type { CautionSort } from "./step";

/** The usual cautions, each told once, at the first step that it belongs to. Local codes and the instructions of makers go before them. */
export const cautionWords: Record<CautionSort, string> = {
  solder:
    "Solder, flux and hot insulation give off fumes: ventilate, do not lean over the joint, wash your hands before you eat.",
  heat: "Hot plates, hot air and printers burn, and warm plastic gives off fumes: ventilate, keep hands and cables away, let things cool.",
  cutting:
    "Blades, drills and small end mills break and throw chips: wear glasses, clamp the work, keep fingers out of the line of the cut.",
  laser:
    "Put no unknown plastic under a laser: some give off poisonous gas. Use a closed machine with extraction, and stay beside it.",
  resin: "Liquid resin irritates skin and eyes: gloves and glasses, and ventilate.",
  leads: "Clipped leads fly: wear glasses, and hold the end that is cut off.",
  cell: "Lithium cells burn when they are shorted, pierced or charged wrongly: use protected ones, mind the polarity, keep metal away.",
  radio: "What sends needs to keep the radio rules of your country.",
  strain: "Stop when hands or wrists hurt, and change the height or the angle before you go on.",
};
