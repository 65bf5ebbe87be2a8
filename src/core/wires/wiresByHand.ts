import { derive } from "../derived/derive";
import { boardWayOf } from "../document/buildSettings";
import type { Design } from "../document/schema";
import { type Wire, wiresOf } from "./wires";

/** Wires that somebody cuts and solders: on a made board copper does it, between boards and on all others a hand. */
export const wiresByHand = (design: Design): Wire[] =>
  derive(design).once("wires by hand", () =>
    wiresOf(design).filter(
      ({ from, to }) => from.boardId !== to.boardId || boardWayOf(design, from.boardId).way !== "made-board",
    ),
  );
