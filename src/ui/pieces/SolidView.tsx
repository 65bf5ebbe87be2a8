"use client";

import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import { type Sight, pixelsOf, solidPicture } from "./solidPicture";

interface SolidViewProps {
  bodies: Parameters<typeof solidPicture>[0];
  /** What is seen, in words. */
  label: string;
}

const USUAL: Sight = { turnDeg: -28, tiltDeg: 38 };
const STEP_DEG = 10;
const TURNS: Record<string, [number, number]> = {
  ArrowLeft: [-STEP_DEG, 0],
  ArrowRight: [STEP_DEG, 0],
  ArrowUp: [0, STEP_DEG],
  ArrowDown: [0, -STEP_DEG],
};

const turned = ({ turnDeg, tiltDeg }: Sight, by: [number, number]): Sight => ({
  turnDeg: turnDeg + by[0],
  tiltDeg: Math.max(-90, Math.min(90, tiltDeg + by[1])),
});

/** A colour of the theme in numbers. */
function channels(context: CanvasRenderingContext2D, name: string): [number, number, number] {
  context.fillStyle = getComputedStyle(context.canvas).getPropertyValue(name).trim() || "#888888";
  const hex = /^#(..)(..)(..)$/.exec(String(context.fillStyle));
  return hex ? ([1, 2, 3].map((nth) => parseInt(hex[nth], 16)) as [number, number, number]) : [136, 136, 136];
}

/** Bodies in the round, turned by dragging or with the arrow keys. */
export function SolidView({ bodies, label }: SolidViewProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const held = useRef<{ x: number; y: number } | null>(null);
  const [sight, setSight] = useState(USUAL);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const box = canvas.current!.parentElement!;
    const watch = new ResizeObserver(() => setSize({ width: box.clientWidth, height: box.clientHeight }));
    watch.observe(box);
    return () => watch.disconnect();
  }, []);
  useEffect(() => {
    const context = canvas.current?.getContext("2d");
    const { width, height } = canvas.current!;
    if (!context || width === 0 || height === 0) return;
    const picture = solidPicture(bodies, sight, width, height);
    const pixels = pixelsOf(picture, channels(context, "--cap-top"), channels(context, "--ink"));
    context.putImageData(new ImageData(pixels, width, height), 0, 0);
  }, [bodies, sight, size]);
  const onMove = (event: PointerEvent) => {
    const from = held.current;
    if (!from) return;
    held.current = { x: event.clientX, y: event.clientY };
    setSight((now) => turned(now, [(event.clientX - from.x) / 2, (event.clientY - from.y) / 2]));
  };
  const onKey = (event: KeyboardEvent) => {
    const by = Object.hasOwn(TURNS, event.key) ? TURNS[event.key] : null;
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    setSight((now) => turned(now, by));
  };
  return (
    <Box position="relative" width="100%" height="100%" minHeight="120px" overflow="hidden">
      <canvas
        ref={canvas}
        role="img"
        aria-label={label}
        tabIndex={0}
        width={size.width * 2}
        height={size.height * 2}
        style={{ position: "absolute", inset: 0, width: "100%", height: "100%", cursor: "grab", touchAction: "none" }}
        onPointerDown={(event) => {
          held.current = { x: event.clientX, y: event.clientY };
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={onMove}
        onPointerUp={() => (held.current = null)}
        onPointerCancel={() => (held.current = null)}
        onKeyDown={onKey}
      />
    </Box>
  );
}
