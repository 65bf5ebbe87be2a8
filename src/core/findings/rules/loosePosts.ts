import { type Rule, controlSubject, counted, listed } from "../finding";

export const loosePosts: Rule = {
  id: "layout/stick-posts",
  stage: "layout",
  severity: "warn",
  why: "A stick is pushed sideways all its life; on its solder joints alone it tears off the board.",
  source: "the parts' mounting posts",
  check(design, derived) {
    const loose = design.controls.filter(
      (control) => control.kind === "stick" && derived.partOf(control).posts.length === 0,
    );
    if (loose.length === 0) return [];
    return [
      {
        message: `${listed(loose.map(({ label }) => label))}: ${counted(loose.length, "stick")} without holes for mounting posts.`,
        subjects: loose.map(({ id }) => controlSubject(id)),
      },
    ];
  },
};
