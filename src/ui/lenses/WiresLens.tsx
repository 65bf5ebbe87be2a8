import { memo } from "react";
import { type MatrixCircuit, hasDiode, isReversed } from "@/core/circuits/matrix";
import type { Control } from "@/core/catalogue/kinds";
import { type Net, type PlacedElement, type Joint } from "@/core/circuits/net";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { type Point, place, point } from "@/core/geometry/point";
import { treeOfPlaces } from "@/core/optimisation/spanningTree";
import { wiresOf } from "@/core/wires/wires";
import { Words } from "../drawing/ControlShape";
import { CasedWire } from "./CasedWire";
import { ChipShape } from "./ChipShape";
import { Flag } from "./Flag";
import { netLook } from "./netLook";

interface WiresLensProps {
  design: Design;
  /** Net whose wires stand out, and parts or members of a circuit in hand: all others step back. */
  netId: string | null;
  partIds: string[];
  /** The one wire in hand, while they are walked. */
  wireKey: string | null;
  wordsOf: (control: Control) => { words: string; small: string };
}

/** Where a row's wire passes a switch: at the far end of its diode, a little right of the row contact. */
const DIODE_MM = 5.2;

const alongDiode = (design: Design, joint: Joint, mm: number): Point => {
  const control = derive(design).controls.get(joint.controlId);
  if (!control) return joint.at;
  const shift = place(point(mm, 0), { xMm: 0, yMm: 0, rotationDeg: control.placement.rotationDeg });
  return point(joint.at.xMm + shift.xMm, joint.at.yMm + shift.yMm);
};

/** Where a net's wires meet its parts, from left to right or, for columns, from top to bottom. */
function pointsOf(design: Design, net: Net): Point[] {
  if (net.role === "row")
    return net.joints.map((joint) => alongDiode(design, joint, DIODE_MM)).sort((a, b) => a.xMm - b.xMm);
  const points = net.joints.map((joint) => joint.at);
  return net.role === "column" ? points.sort((a, b) => a.yMm - b.yMm) : points;
}

const line = (a: Point, b: Point) => `M${a.xMm.toFixed(2)} ${a.yMm.toFixed(2)}L${b.xMm.toFixed(2)} ${b.yMm.toFixed(2)}`;

/** The shortest tree over the points, as a wirer would go. */
const treePath = (points: Point[]): string =>
  treeOfPlaces(points)
    .map(({ a, b }) => line(points[a], points[b]))
    .join("");

/** Flags of single contacts are smaller and step aside from each other: A to the left, B to the right, lamps in two heights. */
const SMALL_FLAG = 1.8;

function flagPlace(net: Net, points: Point[], index: number): Point {
  const first = points[0];
  if (net.role === "row") return point(first.xMm - 16.5, first.yMm);
  if (net.role === "column") return point(first.xMm, first.yMm - 10.5);
  if (net.role === "quadrature-a") return point(first.xMm - 4.6, first.yMm + 3.4);
  if (net.role === "quadrature-b") return point(first.xMm + 4.6, first.yMm + 3.4);
  return point(first.xMm, first.yMm - (net.role === "lamp" && index % 2 === 1 ? 6.6 : 3.4));
}

/** Only what leads to a pin, or is looked at, carries a flag: branches to added parts would cover each other. */
const isFlagged = (net: Net, strong: boolean) => net.need !== null || strong;

function NetWire({ design, net, index, strong }: { design: Design; net: Net; index: number; strong: boolean }) {
  const points = pointsOf(design, net);
  if (points.length === 0) return null;
  const { colour, pattern } = netLook(net, index);
  const flag = flagPlace(net, points, index);
  const isLine = net.role === "row" || net.role === "column";
  const flagged = isFlagged(net, strong);
  const path = `${flagged ? line(flag, points[0]) : ""}${treePath(points)}`;
  const widthMm = strong ? 1 : net.need === null ? 0.35 : 0.55;
  return (
    <g>
      {path && <CasedWire path={path} colour={colour} pattern={pattern} widthMm={widthMm} />}
      {flagged && (
        <Flag
          x={flag.xMm}
          y={flag.yMm}
          words={net.flag}
          colour={colour}
          net={net.id}
          strong={strong}
          size={isLine || strong ? undefined : SMALL_FLAG}
          grows={isLine || strong}
        />
      )}
    </g>
  );
}

/** A diode's sign between the row contact and the row's wire; the bar is the cathode. */
function Diode({ design, element, matrix }: { design: Design; element: PlacedElement; matrix: MatrixCircuit }) {
  const control = derive(design).controls.get(element.controlId)!;
  const contact = element.contacts[1].at;
  const turn = control.placement.rotationDeg;
  const fitted = hasDiode(matrix, element.id);
  const reversed = isReversed(matrix, element.id);
  const forward = (matrix.diodes === "column-to-row") !== reversed;
  const [tip, tail] = forward ? [3.4, 1.4] : [1.4, 3.4];
  return (
    <g
      transform={`translate(${contact.xMm} ${contact.yMm}) rotate(${turn})`}
      stroke={reversed ? "var(--stop)" : "#fff"}
      strokeWidth={0.4}
      pointerEvents="none"
    >
      <line x1={0} y1={0} x2={DIODE_MM} y2={0} strokeDasharray={fitted ? undefined : "0.6 0.6"} />
      {fitted && (
        <>
          <path d={`M${tail} -1.1L${tip} 0L${tail} 1.1Z`} fill="#1b2729" />
          <line x1={tip} y1={-1.2} x2={tip} y2={1.2} strokeWidth={0.6} />
        </>
      )}
    </g>
  );
}

const GROUND_SIGN = "M0 0V1.6M-1.3 1.6H1.3M-0.8 2.2H0.8M-0.3 2.8H0.3";
const SUPPLY_SIGN = "M0 0V-1.8M-1.1 -0.9L0 -1.8L1.1 -0.9";

/** Where supply and ground go: a sign at each end instead of a web of wires. */
function PowerSigns({ net }: { net: Net }) {
  return net.joints
    .filter(({ elementId }) => elementId !== "")
    .map((joint) => (
      <path
        key={joint.contactId}
        transform={`translate(${joint.at.xMm} ${joint.at.yMm})`}
        d={net.role === "ground" ? GROUND_SIGN : SUPPLY_SIGN}
        stroke="#fff"
        strokeWidth={0.35}
        fill="none"
        pointerEvents="none"
      />
    ));
}

/** The one wire to solder now, with both its ends. */
function WireInHand({ design, wireKey }: { design: Design; wireKey: string }) {
  const wire = wiresOf(design).find(({ key }) => key === wireKey);
  if (!wire) return null;
  return (
    <g pointerEvents="none">
      <CasedWire path={line(wire.from.at, wire.to.at)} colour="var(--saffron)" pattern="" widthMm={1.4} />
      {[wire.from, wire.to].map(({ id, at }) => (
        <circle key={id} cx={at.xMm} cy={at.yMm} r={2} fill="none" stroke="var(--saffron)" strokeWidth={0.7} />
      ))}
    </g>
  );
}

const isPower = ({ role }: Net) => role === "ground" || role === "supply";

/** What is in hand: the nets of the parts, or the one net; null when nothing is. */
function netsInHand(nets: Net[], netId: string | null, partIds: string[]): Set<string> | null {
  const parts = new Set(partIds);
  const own = nets.filter(
    (net) => net.id === netId || (!isPower(net) && net.joints.some(({ controlId }) => parts.has(controlId))),
  );
  return own.length === 0 ? null : new Set(own.map(({ id }) => id));
}

/** The parts' names once more, on top of the wires that run over them. */
function NamesOnTop({ design, wordsOf }: { design: Design; wordsOf: WiresLensProps["wordsOf"] }) {
  return design.controls.map((control) => {
    const { words, small } = wordsOf(control);
    const { xMm, yMm, rotationDeg } = control.placement;
    return (
      <g key={control.id} transform={`translate(${xMm} ${yMm}) rotate(${rotationDeg})`}>
        <Words
          control={control}
          part={derive(design).partOf(control)}
          pitch={design.pitch}
          words={words}
          small={small}
          rimmed
        />
      </g>
    );
  });
}

/** Row and column wires with their diodes, added parts with their branches, direct leads, supply and ground. */
export const WiresLens = memo(function WiresLens({ design, netId, partIds, wireKey, wordsOf }: WiresLensProps) {
  const { nets, elements, chips } = derive(design);
  const matrices = design.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
  const inHand = netsInHand(nets, netId, partIds);
  const signals = nets.filter((net) => !isPower(net)).map((net, index) => ({ net, index }));
  const wire = ({ net, index }: (typeof signals)[number], strong: boolean) => (
    <NetWire key={net.id} design={design} net={net} index={index} strong={strong} />
  );
  const isOut = ({ net }: (typeof signals)[number]) => inHand?.has(net.id) === true;
  return (
    <g>
      <g opacity={wireKey ? 0.35 : 1}>
        <g opacity={inHand ? STEPPED_BACK : 1}>
          {nets.filter(isPower).map((net) => (
            <PowerSigns key={net.id} net={net} />
          ))}
          {matrices.flatMap((matrix) =>
            Object.keys(matrix.cells).map((id) => {
              const element = elements.get(id);
              return element && <Diode key={id} design={design} element={element} matrix={matrix} />;
            }),
          )}
          {signals.filter((signal) => !isOut(signal)).map((signal) => wire(signal, false))}
        </g>
        {signals.filter(isOut).map((signal) => wire(signal, true))}
        {chips.map((chip) => (
          <ChipShape key={chip.id} chip={chip} />
        ))}
        <NamesOnTop design={design} wordsOf={wordsOf} />
      </g>
      {wireKey && <WireInHand design={design} wireKey={wireKey} />}
    </g>
  );
});

/** Wires of what is not in hand stay as a hint. */
const STEPPED_BACK = 0.16;
