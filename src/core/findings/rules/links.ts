import { addLink, changeLink, removeLink } from "../../edits/boards";
import type { Design } from "../../document/schema";
import { conductorsAcross } from "../../wires/across";
import { type Rule, counted, listed } from "../finding";

function freeLinkId({ links: all }: Design): string {
  let number = all.length + 1;
  while (all.some(({ id }) => id === `link-${number}`)) number += 1;
  return `link-${number}`;
}

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
