import { memo } from "react";
import type { MatrixCircuit } from "@/core/circuits/matrix";
import { hasDiode } from "@/core/circuits/matrix";
import { GROUND, type Net, type PlacedElement, type Tap } from "@/core/circuits/net";
import { derive } from "@/core/design/derive";
import type { Design } from "@/core/design/schema";
import { type Point, place, point } from "@/core/layout/point";
import { CasedWire } from "./CasedWire";
import { Flag } from "./Flag";
import { netLook } from "./netLook";

interface WiresLensProps {
  design: Design;
  /** Net whose wires stand out. */
  netId: string | null;
}

/** Where a row's wire passes a switch: at the far end of its diode, a little right of the row contact. */
const DIODE_MM = 5.2;

const alongDiode = (design: Design, tap: Tap, mm: number): Point => {
  const control = derive(design).controls.get(tap.controlId)!;
  const shift = place(point(mm, 0), { xMm: 0, yMm: 0, rotationDeg: control.placement.rotationDeg });
  return point(tap.at.xMm + shift.xMm, tap.at.yMm + shift.yMm);
};

/** The points a net's wire goes through, in order. */
function route(design: Design, net: Net): Point[] {
  if (net.role === "row") return net.taps.map((tap) => alongDiode(design, tap, DIODE_MM)).sort((a, b) => a.xMm - b.xMm);
  const points = net.taps.map((tap) => tap.at);
  return net.role === "column" ? points.sort((a, b) => a.yMm - b.yMm) : points;
}

const path = (points: Point[]) =>
  points.map((p, i) => `${i === 0 ? "M" : "L"}${p.xMm.toFixed(2)} ${p.yMm.toFixed(2)}`).join("");

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

function NetWire({ design, net, index, strong }: { design: Design; net: Net; index: number; strong: boolean }) {
  const points = route(design, net);
  if (points.length === 0) return null;
  const { colour, pattern } = netLook(net, index);
  const flag = flagPlace(net, points, index);
  const isLine = net.role === "row" || net.role === "column";
  const way = path(isLine ? [flag, ...points] : [flag, points[0]]);
  return (
    <g>
      <CasedWire way={way} colour={colour} pattern={pattern} widthMm={strong ? 1 : 0.55} />
      <Flag
        x={flag.xMm}
        y={flag.yMm}
        words={net.flag}
        colour={colour}
        net={net.id}
        strong={strong}
        size={isLine ? undefined : SMALL_FLAG}
      />
    </g>
  );
}

/** A diode's sign between the row contact and the row's wire; the bar is the cathode. */
function Diode({ design, element, matrix }: { design: Design; element: PlacedElement; matrix: MatrixCircuit }) {
  const control = derive(design).controls.get(element.controlId)!;
  const contact = element.contacts[1].at;
  const turn = control.placement.rotationDeg;
  const fitted = hasDiode(matrix, element.id);
  const forward = matrix.diodes === "column-to-row";
  const [tip, tail] = forward ? [3.4, 1.4] : [1.4, 3.4];
  return (
    <g
      transform={`translate(${contact.xMm} ${contact.yMm}) rotate(${turn})`}
      stroke="#fff"
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

/** Row and column wires with their diodes, direct leads, and where ground goes. */
export const WiresLens = memo(function WiresLens({ design, netId }: WiresLensProps) {
  const { nets, elements } = derive(design);
  const matrices = design.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
  const ground = nets.find((net) => net.id === GROUND);
  return (
    <g>
      {ground?.taps.map((tap) => (
        <g
          key={tap.contactId}
          transform={`translate(${tap.at.xMm} ${tap.at.yMm})`}
          stroke="#fff"
          strokeWidth={0.35}
          pointerEvents="none"
        >
          <path d="M0 0V1.6M-1.3 1.6H1.3M-0.8 2.2H0.8M-0.3 2.8H0.3" fill="none" />
        </g>
      ))}
      {matrices.flatMap((matrix) =>
        Object.keys(matrix.cells).map((id) => {
          const element = elements.get(id);
          return element && <Diode key={id} design={design} element={element} matrix={matrix} />;
        }),
      )}
      {nets
        .filter((net) => net.id !== GROUND)
        .map((net, index) => (
          <NetWire key={net.id} design={design} net={net} index={index} strong={net.id === netId} />
        ))}
    </g>
  );
});
