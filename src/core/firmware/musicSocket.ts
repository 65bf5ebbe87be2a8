import { derive } from "../derived/derive";
import type { Design } from "../document/schema";

/** Sockets for music that are wired; the same bytes go to all of them. */
export const socketsOf = (design: Design): string[] =>
  design.circuits
    .flatMap((circuit) => (circuit.kind === "music-out" ? circuit.members : []))
    .filter((member) => derive(design).elements.has(member));

export const hasSocket = (design: Design): boolean => socketsOf(design).length > 0;

/** Whether anybody hears what it plays: a computer, or what hangs on a socket. */
export const playsMusic = (design: Design): boolean =>
  design.reportSet.interfaces.includes("music") || hasSocket(design);

/** The net of the transmitter of each circuit of sockets. */
export const socketNets = (design: Design): string[] =>
  design.circuits
    .flatMap(({ kind, id }) => (kind === "music-out" ? [`${id}.data`] : []))
    .filter((netId) => derive(design).netById.has(netId));
