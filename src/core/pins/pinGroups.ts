import type { ControllerProfile, Pin } from "../catalogue/controllers/controllerProfile";
import type { Net } from "../circuits/net";
import { padsBySide } from "./pinSides";
import type { Together } from "../optimisation/solvePins";

const indices = (pins: Pin[], test: (pin: Pin) => boolean) => pins.flatMap((pin, nth) => (test(pin) ? [nth] : []));

/** Both lines of a bus on one of the chip's bus controllers, and two buses of a sort on two of them. */
export function busGroups(nets: Net[], pins: Pin[]): Together[] {
  const ids = [...new Set(nets.flatMap(({ busId }) => busId ?? []))];
  return ids.map((id) => {
    const members = nets.flatMap((net, nth) => (net.busId === id ? [nth] : []));
    const sort = nets[members[0]].need!.bus!.bus;
    const instances = new Set(
      pins.flatMap(({ buses }) => buses.filter(({ bus }) => bus === sort).map(({ instance }) => instance)),
    );
    const options = [...instances].map((instance) => ({
      key: String(instance),
      pins: members.map((net) =>
        indices(pins, ({ buses }) =>
          buses.some(
            ({ bus, instance: own, line }) => bus === sort && own === instance && line === nets[net].need!.bus!.line,
          ),
        ),
      ),
    }));
    return { nets: members, options, sort, otherwise: "unplaced" as const };
  });
}

/** Rows that stand apart although they were wished together: heavier than any wire, lighter than a net without a pin. */
const ROWS_APART = 1e7;

/** Rows of each matrix on neighbouring usable pads of one side, in their order or the other way round. */
export function rowGroups(nets: Net[], pins: Pin[], profile: ControllerProfile): Together[] {
  const byMatrix = new Map<string, number[]>();
  nets.forEach((net, nth) => {
    const matrix = net.id.split(".")[0];
    if (net.role === "row") byMatrix.set(matrix, [...(byMatrix.get(matrix) ?? []), nth]);
  });
  const place = new Map(pins.map((pin, nth) => [pin, nth]));
  return [...byMatrix.values()].flatMap((members) => {
    const options = padsBySide(profile, pins).flatMap((pads) =>
      windows(
        pads.map((pad) => place.get(pad)!),
        members.length,
      ),
    );
    return options.length > 0 ? [{ nets: members, options, sort: "rows", otherwise: { apart: ROWS_APART } }] : [];
  });
}

function windows(pads: number[], size: number): Together["options"] {
  const options: Together["options"] = [];
  for (let from = 0; from + size <= pads.length; from++) {
    const window = pads.slice(from, from + size);
    for (const order of [window, [...window].reverse()])
      options.push({ key: order.join(" "), pins: order.map((pad) => [pad]) });
  }
  return options;
}
