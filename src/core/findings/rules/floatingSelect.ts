import { type Rule, listed, netSubject } from "../finding";

/** Select lines of several parts on one serial bus while nothing drives them yet. */
export const floatingSelect: Rule = {
  id: "circuits/floating-select",
  stage: "circuits",
  severity: "note",
  why: "Until the firmware drives it a pin floats: a part whose select floats may answer while another one is spoken to.",
  source: "common practice: 10 kΩ from each select to the supply of its part",
  eachController: true,
  check(_design, { nets }) {
    const buses = [0, 1, 2, 3].map((bus) => `spi${bus}`);
    return buses.flatMap((busId) => {
      const clock = nets.find((net) => net.busId === busId && net.id.endsWith(".clock"));
      const parts = new Set(clock?.joints.map(({ controlId }) => controlId) ?? []);
      const selects = nets.filter(
        ({ role, joints }) => role === "select" && joints.some(({ controlId }) => parts.has(controlId)),
      );
      if (selects.length < 2) return [];
      return [
        {
          message: `${listed(selects.map(({ flag }) => flag))} float while the controller starts, on one bus: put 10 kΩ from each to its part's supply.`,
          subjects: selects.map(({ id }) => netSubject(id)),
        },
      ];
    });
  },
};
