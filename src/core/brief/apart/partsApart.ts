import { derive } from "../../derived/derive";
import { countedAfterMs } from "../../document/debounce";
import type { Board, Design } from "../../document/schema";
import { wishAsPlaced } from "../budgetLines";
import { needsOf } from "../needs";
import type { OptionSetting } from "../option";
import { planBrief } from "../plan";
import { ownController } from "./ownController";
import { readThere } from "./readThere";
import { ribbon } from "./ribbon";
import type { ApartSetting, ApartWay } from "./way";

/** The schools, one line each. */
const SCHOOLS: ((setting: ApartSetting) => ApartWay[])[] = [ribbon, readThere, ownController];

/** A board with controls that does not carry the controller. */
export interface FarPart {
  board: Board;
  ways: ApartWay[];
}

export interface PartsApart {
  near: Board;
  far: FarPart[];
}

/**
 * How each part that lies apart from the controller could be reached, the schools side by side: conductors, pins, parts, money, time and
 * what breaks. Null where there is no controller, or nothing lies on another board.
 */
export function partsApart(design: Design): PartsApart | null {
  const { controller, profile } = derive(design);
  const near = design.boards.find(({ id }) => id === controller?.placement.boardId);
  if (!profile || !near) return null;
  const option: OptionSetting = {
    brief: { matrixShape: null, prices: design.brief.prices },
    debounceMs: countedAfterMs(design.timing.debounce),
    settleUs: design.timing.settleUs,
  };
  const on = (board: Board) => design.controls.filter(({ placement }) => placement.boardId === board.id);
  const wishOn = (board: Board) => wishAsPlaced({ controls: on(board), brief: design.brief });
  const nearPins = planBrief(wishOn(near), [profile], option)[0]?.room.needed ?? 0;
  const apart = design.boards.filter((board) => board.id !== near.id && on(board).length > 0);
  const modules = apart.length;
  const far = apart.map((board) => {
    const wish = wishOn(board);
    const { switches, turns, voltages } = needsOf(wish);
    const inputs = { switches, knobs: turns, voltages };
    const setting = { design, near, far: board, profile, nearPins, wish, inputs, modules, option };
    return { board, ways: SCHOOLS.flatMap((school) => school(setting)) };
  });
  return far.length > 0 ? { near, far } : null;
}
