import type { ControllerProfile, Pin } from "@/core/catalogue/controllers/controllerProfile";

const ROOM_MM = 5;
const CHIP_ROOM_MM = 1.5;
/** Beyond this height a module is shown at a smaller scale. */
const TALLEST_PX = 112;

interface ModulePictureProps {
  profile: ControllerProfile;
  /** Pads that are meant, joined by a bridge when there are two. */
  pads: Pin[];
  words: string;
}

/** The module from its parts side, connector up, with the pads that a step is about. */
export function ModulePicture({ profile, pads, words }: ModulePictureProps) {
  const { widthMm: w, heightMm: h, connector } = profile;
  const [one, other] = pads;
  // The leads of a chip lie too close for names beside them.
  const isChip = profile.form === "chip";
  const room = isChip ? CHIP_ROOM_MM : ROOM_MM;
  const view = { x: -w / 2 - room, y: -h / 2 - room, w: w + 2 * room, h: h + 2 * room };
  return (
    <svg
      viewBox={`${view.x} ${view.y} ${view.w} ${view.h}`}
      role="img"
      aria-label={words}
      style={{ width: 116, height: Math.min(TALLEST_PX, (116 * view.h) / view.w), display: "block" }}
    >
      <rect
        x={-w / 2}
        y={-h / 2}
        width={w}
        height={h}
        rx={1.4}
        fill="var(--module)"
        stroke="var(--module-edge)"
        strokeWidth={0.4}
      />
      {connector && (
        <rect
          x={connector.xMm - connector.widthMm / 2}
          y={connector.yMm - 1.5}
          width={connector.widthMm}
          height={5}
          rx={0.8}
          fill="var(--module-edge)"
        />
      )}
      {profile.pins.map((pin, nth) => (
        <circle key={nth} cx={pin.xMm} cy={pin.yMm} r={isChip ? 0.2 : 0.75} fill="var(--module-edge)" />
      ))}
      {isChip && (
        <text textAnchor="middle" y={0.6} style={{ fontSize: w / 6, fontWeight: 700 }} fill="var(--mat-ink)">
          {pads.map(({ name }) => name).join(", ")}
        </text>
      )}
      {!isChip && one && other && <Bridge one={one} other={other} />}
      {pads.map((pin, nth) => (
        <g key={nth}>
          <circle
            cx={pin.xMm}
            cy={pin.yMm}
            r={isChip ? 0.45 : 1.3}
            fill="var(--saffron)"
            stroke="var(--sheet)"
            strokeWidth={isChip ? 0.1 : 0.3}
          />
          {!isChip && <PadName pin={pin} />}
        </g>
      ))}
    </svg>
  );
}

/** A pad's name, inside the module. */
const PadName = ({ pin }: { pin: Pin }) => (
  <text
    x={pin.xMm + (pin.xMm > 0 ? -2 : 2)}
    y={pin.yMm + 0.9}
    textAnchor={pin.xMm > 0 ? "end" : "start"}
    style={{ fontSize: 3.2, fontWeight: 700 }}
    fill="var(--mat-ink)"
  >
    {pin.name}
  </text>
);

/** A wire or tweezers from pad to pad, bowed outwards. */
function Bridge({ one, other }: { one: Pin; other: Pin }) {
  const out = Math.sign(one.xMm || 1) * 4;
  const path = `M ${one.xMm} ${one.yMm} C ${one.xMm + out} ${one.yMm} ${other.xMm + out} ${other.yMm} ${other.xMm} ${other.yMm}`;
  return <path d={path} fill="none" stroke="var(--saffron)" strokeWidth={0.9} />;
}
