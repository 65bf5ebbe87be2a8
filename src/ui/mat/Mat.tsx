"use client";

import { Box } from "@chakra-ui/react";
import { FlipHorizontal2, Focus, Maximize, ZoomIn, ZoomOut } from "lucide-react";
import {
  type CSSProperties,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
  useCallback,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
  type FocusEvent,
} from "react";
import { usePinch } from "./usePinch";
import { useWheel } from "./useWheel";
import { type Point, point } from "@/core/geometry/point";
import { FlippedContext } from "../drawing/Upright";
import { IconButton } from "../pieces/buttons";
import { hiddenText, leastMm } from "./readable";
import { Rulers } from "./Rulers";
import { type Box as MmBox, type View, fitView, zoomAbout } from "./view";

export interface MatPointer {
  event: PointerEvent<SVGSVGElement>;
  at: Point;
}

interface MatProps {
  label: string;
  content: MmBox;
  /** A new value brings the content into view. */
  fitKey: string;
  flipped: boolean;
  onFlip: () => void;
  onPointerDown?: (pointer: MatPointer) => void;
  onPointerMove?: (pointer: MatPointer) => void;
  onPointerUp?: (pointer: MatPointer) => void;
  onKeyDown?: (event: KeyboardEvent<SVGSVGElement>) => void;
  onKeyUp?: (event: KeyboardEvent<SVGSVGElement>) => void;
  /** The focus leaves something on the mat. */
  onBlur?: (event: FocusEvent<SVGSVGElement>) => void;
  /** Takes a wheel turn over something; true when it did, so that the mat does not zoom. */
  onWheelOver?: (target: Element, deltaY: number) => boolean;
  /** Two fingers zoom; switched off where fingers press keys. */
  pinchZooms: boolean;
  /** A box to look at closely, with the words for its button. */
  closeUp?: { words: string; box: MmBox } | null;
  children: ReactNode;
  corner?: ReactNode;
}

const ZOOM_STEP = 1.25;
const CLOSE_SCALE = 16;

/** The bench mat: millimetre grid and rulers, pan, zoom, fit, flip. What lies on it is drawn in mm by its children. */
export function Mat(props: MatProps) {
  const { label, content, fitKey, flipped, onFlip, children, corner } = props;
  const frame = useRef<HTMLDivElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [view, setView] = useState<View>({ scale: 3, x: 60, y: 60 });
  const panning = useRef<{ x: number; y: number; view: View } | null>(null);
  const spaceHeld = useSpaceHeld();

  useLayoutEffect(() => {
    const measure = () =>
      frame.current && setSize({ width: frame.current.clientWidth, height: frame.current.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    if (frame.current) observer.observe(frame.current);
    return () => observer.disconnect();
  }, []);

  const fit = useCallback(() => size.width > 0 && setView(fitView(content, size.width, size.height)), [content, size]);
  const fitted = useRef("");
  useLayoutEffect(() => {
    const key = `${fitKey} ${size.width}x${size.height}`;
    if (size.width === 0 || fitted.current === key) return;
    fitted.current = key;
    fit();
  }, [fit, fitKey, size]);

  /** On the solder side the whole window is mirrored about its middle. */
  const unmirrored = (xPx: number) => (flipped ? size.width - xPx : xPx);
  const toMm = (clientX: number, clientY: number): Point => {
    const rect = svg.current!.getBoundingClientRect();
    return point((unmirrored(clientX - rect.left) - view.x) / view.scale, (clientY - rect.top - view.y) / view.scale);
  };
  const zoom = (factor: number, xPx = size.width / 2, yPx = size.height / 2) =>
    setView((v) => zoomAbout(v, factor, unmirrored(xPx), yPx));

  const zoomAt = (factor: number, clientX: number, clientY: number) => {
    const rect = svg.current!.getBoundingClientRect();
    zoom(factor, clientX - rect.left, clientY - rect.top);
  };
  useWheel(svg, (event) => {
    if (props.onWheelOver?.(event.target as Element, event.deltaY)) return;
    if (event.shiftKey) setView((v) => ({ ...v, x: v.x - event.deltaY }));
    else zoomAt(Math.exp(-event.deltaY / 500), event.clientX, event.clientY);
  });
  usePinch(svg, props.pinchZooms, zoomAt);

  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button === 1 || (event.button === 0 && spaceHeld.current)) {
      event.preventDefault();
      svg.current!.setPointerCapture(event.pointerId);
      panning.current = { x: event.clientX, y: event.clientY, view };
      return;
    }
    if (event.button === 0) props.onPointerDown?.({ event, at: toMm(event.clientX, event.clientY) });
  };
  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    const start = panning.current;
    if (!start) return props.onPointerMove?.({ event, at: toMm(event.clientX, event.clientY) });
    const dx = (event.clientX - start.x) * (flipped ? -1 : 1);
    setView({ ...start.view, x: start.view.x + dx, y: start.view.y + event.clientY - start.y });
  };
  const onPointerUp = (event: PointerEvent<SVGSVGElement>) => {
    if (panning.current) panning.current = null;
    else props.onPointerUp?.({ event, at: toMm(event.clientX, event.clientY) });
  };
  const onKeyDown = (event: KeyboardEvent<SVGSVGElement>) => {
    props.onKeyDown?.(event);
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === "+" || event.key === "=") zoom(ZOOM_STEP);
    else if (event.key === "-") zoom(1 / ZOOM_STEP);
    else if (event.key === "0") fit();
  };

  const grid = { transform: `translate(${view.x} ${view.y}) scale(${view.scale})` };
  return (
    <Box ref={frame} position="relative" width="100%" height="100%" overflow="hidden" bg="var(--mat)">
      <svg
        ref={svg}
        width={size.width}
        height={size.height}
        role="group"
        aria-label={label}
        className="bench-mat"
        style={
          {
            touchAction: "none",
            userSelect: "none",
            display: "block",
            "--least-mm": leastMm(view.scale),
          } as CSSProperties
        }
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={onPointerUp}
        onKeyDown={onKeyDown}
        onKeyUp={props.onKeyUp}
        onBlur={props.onBlur}
      >
        <style>{hiddenText(view.scale)}</style>
        <defs>
          <pattern id="mat-fine" width={10} height={10} patternUnits="userSpaceOnUse" patternTransform={grid.transform}>
            <path d="M10 0H0V10" fill="none" stroke="var(--mat-line)" strokeWidth={0.8 / view.scale} />
          </pattern>
          <pattern
            id="mat-coarse"
            width={50}
            height={50}
            patternUnits="userSpaceOnUse"
            patternTransform={grid.transform}
          >
            <path d="M50 0H0V50" fill="none" stroke="var(--mat-line-strong)" strokeWidth={1 / view.scale} />
          </pattern>
        </defs>
        <g transform={flipped ? `translate(${size.width} 0) scale(-1 1)` : undefined}>
          <rect width={size.width} height={size.height} fill="url(#mat-fine)" />
          <rect width={size.width} height={size.height} fill="url(#mat-coarse)" />
          <g transform={grid.transform}>
            <FlippedContext.Provider value={flipped}>{children}</FlippedContext.Provider>
          </g>
        </g>
        <Rulers view={view} widthPx={size.width} heightPx={size.height} flipped={flipped} />
      </svg>
      <Box
        position="absolute"
        top="28px"
        right="10px"
        display="flex"
        flexDirection="column"
        gap="2px"
        bg="var(--ruler)"
        color="var(--mat-ink)"
        borderRadius="3px"
        padding="2px"
      >
        <IconButton aria-label="Zoom in (+)" onClick={() => zoom(ZOOM_STEP)}>
          <ZoomIn size={17} />
        </IconButton>
        <IconButton aria-label="Zoom out (−)" onClick={() => zoom(1 / ZOOM_STEP)}>
          <ZoomOut size={17} />
        </IconButton>
        {props.closeUp && (
          <IconButton
            aria-label={props.closeUp.words}
            onClick={() => setView(fitView(props.closeUp!.box, size.width, size.height, CLOSE_SCALE))}
          >
            <Focus size={16} />
          </IconButton>
        )}
        <IconButton aria-label="Fit to window (0)" onClick={fit}>
          <Maximize size={16} />
        </IconButton>
        <IconButton
          aria-label={flipped ? "Turn to the parts side" : "Turn to the solder side"}
          aria-pressed={flipped}
          onClick={onFlip}
        >
          <FlipHorizontal2 size={17} />
        </IconButton>
      </Box>
      {flipped && (
        <Box
          position="absolute"
          bottom="10px"
          left="50%"
          transform="translateX(-50%)"
          bg="var(--saffron)"
          color="var(--saffron-ink)"
          fontWeight="700"
          padding="4px 12px"
          borderRadius="3px"
          role="status"
        >
          Solder side up: left and right are mirrored
        </Box>
      )}
      {corner}
    </Box>
  );
}

function useSpaceHeld() {
  const held = useRef(false);
  useEffect(() => {
    const listen = (event: globalThis.KeyboardEvent) => {
      if (event.code === "Space") held.current = event.type === "keydown" && event.target === document.body;
    };
    window.addEventListener("keydown", listen);
    window.addEventListener("keyup", listen);
    return () => {
      window.removeEventListener("keydown", listen);
      window.removeEventListener("keyup", listen);
    };
  }, []);
  return held;
}
