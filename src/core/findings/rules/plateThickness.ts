import { type Rule, controlSubject, counted } from "../finding";

export const plateThickness: Rule = {
  id: "layout/plate-thickness",
  stage: "layout",
  severity: "warn",
  why: "A switch clips to one thickness: in a thicker plate its clips do not open, in a thinner one it rattles.",
  source: "the parts' clip thickness (common practice: 1.5 mm for full-height switches)",
  check(design, derived) {
    return design.boards.flatMap((board) => {
      const off = design.controls.filter((control) => {
        const range = derived.partOf(control).plateMm;
        if (!range || control.placement.boardId !== board.id) return false;
        return board.plate.thicknessMm < range.min - 1e-9 || board.plate.thicknessMm > range.max + 1e-9;
      });
      if (off.length === 0) return [];
      const part = derived.partOf(off[0]);
      const middle = Math.round(((part.plateMm!.min + part.plateMm!.max) / 2) * 10) / 10;
      return [
        {
          message: `${board.name}: the plate is ${board.plate.thicknessMm} mm, but the ${part.title.toLowerCase()} wants ${part.plateMm!.min} to ${part.plateMm!.max} mm (${counted(off.length, "part")}).`,
          subjects: off.map(({ id }) => controlSubject(id)),
          fixes: [
            {
              title: `Make the plate ${middle} mm`,
              apply: (d) => ({
                ...d,
                boards: d.boards.map((b) =>
                  b.id === board.id ? { ...b, plate: { ...b.plate, thicknessMm: middle } } : b,
                ),
              }),
            },
          ],
        },
      ];
    });
  },
};
