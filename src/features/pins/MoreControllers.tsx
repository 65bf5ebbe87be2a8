"use client";

import { halfName } from "@/core/derived/halfName";
import { type Design, MOST_CONTROLLERS } from "@/core/document/schema";
import { edit } from "@/store/bench";
import { pickController, useHand } from "@/store/hand";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Row } from "@/ui/pieces/sheets";

/** The controller in hand, the main one when none is; null where the design has none. */
export function useChosenController({ controllers }: Design): string | null {
  const chosen = useHand((state) => state.controllerId);
  return (controllers.find(({ id }) => id === chosen) ?? controllers[0])?.id ?? null;
}

/** Of several controllers the one that this tray is about. */
export function WhichController({ design, controllerId }: { design: Design; controllerId: string | null }) {
  return (
    <ChoiceField
      label="Which"
      value={controllerId ?? ""}
      choices={design.controllers.map(({ id }, nth) => ({
        value: id,
        label: `${halfName(design, id)}${nth === 0 ? " (main)" : ""}`,
      }))}
      onCommit={pickController}
    />
  );
}

/** A board without a controller, or the one that has the fewest. */
function nextBoard({ boards, controllers }: Design): string {
  const on = (boardId: string) => controllers.filter(({ placement }) => placement.boardId === boardId).length;
  return boards.reduce((least, board) => (on(board.id) < on(least.id) ? board : least)).id;
}

/** Adds a controller, which serves what is given to it in Wiring, or takes away the one in hand. */
export function MoreControllers({ design, controllerId }: { design: Design; controllerId: string }) {
  const isMain = design.controllers[0].id === controllerId;
  const profileId = design.controllers.find(({ id }) => id === controllerId)!.profileId;
  const add = async () => {
    const { addController } = await import("@/core/edits/controllers");
    edit("add a controller", (d) => addController(d, profileId, nextBoard(d)));
  };
  const remove = async () => {
    const { removeController } = await import("@/core/edits/controllers");
    edit("remove a controller", (d) => removeController(d, controllerId));
  };
  return (
    <Row>
      <PlainButton disabled={design.controllers.length >= MOST_CONTROLLERS} onClick={() => void add()}>
        Another controller
      </PlainButton>
      {!isMain && <PlainButton onClick={() => void remove()}>Remove this one</PlainButton>}
    </Row>
  );
}
