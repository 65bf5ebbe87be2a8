import type { Board } from "@/core/document/schema";
import { changeBoard } from "@/core/edits/boards";
import { edit } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { NumberField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";

/** Exact corners of a drawn outline; on the mat they can be dragged. */
export function OutlineCorners({ board }: { board: Board }) {
  const corners = board.outline!;
  const set = (what: string, outline: Board["outline"]) =>
    edit(`${what} of ${board.name}`, (d) => changeBoard(d, board.id, { outline }));
  const add = (nth: number) => {
    const [a, b] = [corners[nth], corners[(nth + 1) % corners.length]];
    const middle = { xMm: (a.xMm + b.xMm) / 2, yMm: (a.yMm + b.yMm) / 2 };
    set("new corner", [...corners.slice(0, nth + 1), middle, ...corners.slice(nth + 1)]);
  };
  const move = (nth: number, change: Partial<{ xMm: number; yMm: number }>) =>
    set(
      "corner",
      corners.map((corner, i) => (i === nth ? { ...corner, ...change } : corner)),
    );
  return (
    <>
      {corners.slice(0, 40).map((corner, nth) => (
        <Columns key={nth} count={3}>
          <NumberField
            label={`Corner ${nth + 1}, x`}
            unit="mm"
            min={-3000}
            max={3000}
            value={corner.xMm}
            onCommit={(xMm) => move(nth, { xMm })}
          />
          <NumberField
            label="y"
            unit="mm"
            min={-3000}
            max={3000}
            value={corner.yMm}
            onCommit={(yMm) => move(nth, { yMm })}
          />
          <span style={{ display: "flex", gap: 4, paddingTop: 21 }}>
            <PlainButton
              aria-label={`Add a corner after ${nth + 1}`}
              onClick={() => add(nth)}
              disabled={corners.length >= 400}
            >
              +
            </PlainButton>
            <PlainButton
              aria-label={`Remove corner ${nth + 1}`}
              disabled={corners.length <= 3}
              onClick={() =>
                set(
                  "corner less",
                  corners.filter((_, i) => i !== nth),
                )
              }
            >
              −
            </PlainButton>
          </span>
        </Columns>
      ))}
      {corners.length > 40 && <div>{corners.length - 40} more corners can be moved on the mat.</div>}
    </>
  );
}
