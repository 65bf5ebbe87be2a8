import loadHighs from "highs";
import { IMPOSSIBLE, type PinProblem } from "@/core/optimisation/solvePins";

const solver = loadHighs();

const cell = (net: number, pin: number) => `x${net}_${pin}`;
const choice = (group: number, option: number) => `y${group}_${option}`;

/** The same problem as an integer programme in CPLEX LP format, as HiGHS reads it. */
export function lpText({ costs, pins, together }: PinProblem): string {
  const able = costs.map((row) => row.flatMap((cost, pin) => (cost < IMPOSSIBLE ? [pin] : [])));
  const terms = able.flatMap((list, net) => list.map((pin) => `${costs[net][pin]} ${cell(net, pin)}`));
  const lines: string[] = [];
  able.forEach((list, net) => lines.push(`${list.map((pin) => cell(net, pin)).join(" + ") || "0 none"} = 1`));
  for (let pin = 0; pin < pins; pin++) {
    const users = able.flatMap((list, net) => (list.includes(pin) ? [cell(net, pin)] : []));
    if (users.length > 1) lines.push(`${users.join(" + ")} <= 1`);
  }
  const binaries = terms.map((term) => term.split(" ")[1]);
  together.forEach(({ nets, options, sort }, group) => {
    binaries.push(...options.map((_, option) => choice(group, option)));
    lines.push(`${options.map((_, option) => choice(group, option)).join(" + ")} = 1`);
    nets.forEach((net, nth) =>
      able[net].forEach((pin) => {
        // A pin may serve the net only in an option that allows it.
        const allowing = options.flatMap(({ pins: allowed }, option) =>
          allowed[nth].includes(pin) ? [choice(group, option)] : [],
        );
        lines.push([cell(net, pin), ...allowing.map((y) => `- ${y}`)].join(" ") + " <= 0");
      }),
    );
    together.slice(0, group).forEach((other, before) => {
      if (other.sort !== sort) return;
      options.forEach(({ key }, option) =>
        other.options.forEach((theirs, there) => {
          if (theirs.key === key) lines.push(`${choice(group, option)} + ${choice(before, there)} <= 1`);
        }),
      );
    });
  });
  const rows = lines.map((line, nth) => ` c${nth}: ${line}`);
  return [
    "Minimize",
    ` obj: ${terms.join(" + ") || "0 none"}`,
    "Subject To",
    ...rows,
    "Bounds",
    " none = 0",
    "Binary",
    ` ${binaries.join(" ")}`,
    "End",
  ].join("\n");
}

/** The least cost that HiGHS finds, or null when it proves that there is no plan. */
export async function highsOptimum(problem: PinProblem): Promise<number | null> {
  const answer = (await solver).solve(lpText(problem));
  if (answer.Status === "Infeasible") return null;
  if (answer.Status !== "Optimal") throw new Error(`HiGHS says ${answer.Status}`);
  return answer.ObjectiveValue;
}
