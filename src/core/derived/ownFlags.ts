import type { Net } from "../circuits/net";

/** Flags are told apart: what has the flag of a rail, a line or another part first gets a number to it. */
export function withOwnFlags(nets: Net[], power: Net[]): Net[] {
  const taken = new Set(power.map(({ flag }) => flag));
  return nets.map((net) => {
    let { flag } = net;
    for (let number = 2; taken.has(flag); number++) flag = `${net.flag}·${number}`;
    taken.add(flag);
    return flag === net.flag ? net : { ...net, flag };
  });
}
