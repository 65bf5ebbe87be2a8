"use client";

import { Box } from "@chakra-ui/react";
import { later } from "@/ui/pieces/later";
import { useMemo } from "react";
import type { Control } from "@/core/catalogue/kinds";
import { circuitKindOf } from "@/core/circuits";
import { derive } from "@/core/derived/derive";
import { lookOf } from "@/core/document/lampLooks";
import { movableEnds } from "@/core/engine/movable";
import { boardRings } from "@/core/layout/boardOutline";
import { type Outline, boundsOf } from "@/core/geometry/outline";
import type { Controller, Design } from "@/core/document/schema";
import { useDesign } from "@/store/bench";
import { flip, useHand } from "@/store/hand";
import { controlsOf, useFindings } from "@/store/findings";
import { useSession } from "@/store/session";
import { BoardShapes } from "@/ui/drawing/BoardShapes";
import { ControlShape, type Tone } from "@/ui/drawing/ControlShape";
import { ModuleShape } from "@/ui/drawing/ModuleShape";
import { type LensId, lenses } from "@/ui/lenses/lens";
import { Mat } from "@/ui/mat/Mat";
import type { StageView } from "../stageView";
import { useCapWords } from "./useCapWords";
import { useLayoutView } from "@/store/layoutView";
import { useWiringView } from "@/store/wiringView";
import { useMatHand } from "./useMatHand";
import { useReach, warmth } from "./useReach";

const PlateLens = later(() => import("@/ui/lenses/PlateLens").then((m) => m.PlateLens));
const CornerHandles = later(() => import("@/ui/lenses/CornerHandles").then((m) => m.CornerHandles));
const WiresLens = later(() => import("@/ui/lenses/WiresLens").then((m) => m.WiresLens));
const LoadsOnMat = later(() => import("./LoadsOnMat").then((m) => m.LoadsOnMat));
const MovedOnMat = later(() => import("./MovedOnMat").then((m) => m.MovedOnMat));
const FaultsOnMat = later(() => import("./FaultsOnMat").then((m) => m.FaultsOnMat));
const RecordOnMat = later(() => import("./RecordOnMat").then((m) => m.RecordOnMat));
const PracticeOnMat = later(() => import("./PracticeOnMat").then((m) => m.PracticeOnMat));
const StepOnMat = later(() => import("./StepOnMat").then((m) => m.StepOnMat));
const PinsLens = later(() => import("@/ui/lenses/PinsLens").then((m) => m.PinsLens));

interface BenchMatProps {
  stage: StageView;
  lens: LensId;
  onLens: (lens: LensId) => void;
}

const NOTHING = { minXMm: -30, minYMm: -30, maxXMm: 130, maxYMm: 70 };

/** Controls of a circuit; none where none is in hand. */
function membersOf(design: Design, circuitId: string | null): string[] {
  const circuit = design.circuits.find(({ id }) => id === circuitId);
  if (!circuit) return [];
  const { elements } = derive(design);
  return circuitKindOf(circuit)
    .members(circuit)
    .flatMap((id) => elements.get(id)?.controlId ?? []);
}

/** Outlines of the modules, so that fitting shows them too. */
function moduleOutlines(design: Design): Outline[] {
  return derive(design).controllers.flatMap(({ controller, profile }) =>
    profile ? [{ core: [controller.placement], radiusMm: Math.hypot(profile.widthMm, profile.heightMm) / 2 }] : [],
  );
}

const NO_PINS = new Set<string>();

/** By controller, the names of pins that a net is on. */
function pinsTaken({ pinPlan }: Design): Map<string, Set<string>> {
  const taken = new Map<string, Set<string>>();
  for (const { controllerId, pin } of Object.values(pinPlan))
    taken.set(controllerId, (taken.get(controllerId) ?? new Set<string>()).add(pin));
  return taken;
}

/** Around the module, with room for the flags beside it. */
function closeUpOf(design: Design) {
  const box = boundsOf(moduleOutlines(design).slice(0, 1));
  return box && { words: "Look closely at the controller", box };
}

const contentOf = (design: Design) =>
  boundsOf([
    ...derive(design).caps,
    ...boardRings(design).flatMap((core) => (core ? [{ core, radiusMm: 0 }] : [])),
    ...moduleOutlines(design),
  ]) ?? NOTHING;

/** Parts that the stage in hand has something to say about. */
function useTones(design: Design, stage: StageView): Map<string, Tone> {
  const { findings } = useFindings(design);
  return useMemo(() => {
    const tones = new Map<string, Tone>();
    for (const finding of [...findings].reverse()) {
      if (finding.severity === "note" || finding.stage !== stage.id) continue;
      for (const subject of finding.subjects)
        for (const id of controlsOf(design, subject)) tones.set(id, finding.severity);
    }
    return tones;
  }, [design, findings, stage]);
}

const groupColour = ({ colourGroups }: Design, control: Control) =>
  control.kind === "key" && control.groupId !== null
    ? (colourGroups.find(({ id }) => id === control.groupId)?.colour ?? null)
    : null;

/** Names of a control's ends that the hand holds or has put on. */
const heldEnds = (control: Control, held: string[]) =>
  movableEnds(control)
    .filter(({ id }) => held.includes(id))
    .map(({ end }) => end)
    .join(" ");

/** A dimmed lamp as eyes see it: less bright than its share of the time, by the usual gamma of screens. */
function lampColour({ keymap }: Design, id: string): string {
  const { eighths } = lookOf(keymap.looks, id);
  const percent = Math.round(100 * (eighths / 8) ** (1 / 2.2));
  return percent === 100 ? "var(--saffron)" : `color-mix(in srgb, var(--saffron) ${percent}%, var(--cap-ink))`;
}

/** Few have segment displays. */
const LiveDigits = later(() => import("./LiveDigits").then((m) => m.LiveDigits));
/** Few have displays of dots. */
const LiveGlass = later(() => import("@/ui/drawing/glasses").then((m) => m.LiveGlass));
const hasDots = ({ controls }: Design) => controls.some(({ kind }) => kind === "display");
const hasSegments = ({ controls }: Design) => controls.some(({ kind }) => kind === "segments");

const hasWiper = ({ kind }: Control) => kind === "stick" || kind === "pot";

const isArranging = (stage: StageView) => stage.mode === "arrange";

/** The device on the mat, under the stage's lens, answering the hand as the stage asks. */
export function BenchMat({ stage, lens, onLens }: BenchMatProps) {
  const design = useDesign();
  const { selection, flipped, netId, layerId, controllerId, hasBareCaps, readsLegends } = useHand();
  const isLive = stage.mode === "press";
  const held = useSession((state) => state.held);
  const lit = useSession((state) => state.lit);
  const glows = useSession((state) => state.glows);
  const activeLayers = useSession((state) => state.activeLayers);
  const hand = useMatHand(stage, lens);
  const shown = hand.preview ?? design;
  const tones = useTones(design, stage);
  const chosen = useMemo(() => new Set(selection), [selection]);
  const content = useMemo(() => contentOf(design), [design]);
  const derived = derive(shown);
  const partOf = (control: Control) => derived.partOf(control);
  const taken = useMemo(() => pinsTaken(design), [design]);
  const layers = shown.keymap.layers;
  const layer = isLive
    ? (layers[activeLayers.at(-1) ?? 0] ?? layers[0])
    : (layers.find((l) => l.id === layerId) ?? layers[0]);
  const reach = useReach(design, lens);
  const outlined = useLayoutView((state) => state.outlineOf);
  const seam = useLayoutView((state) => state.seam);
  const wireKey = useWiringView((state) => state.wireKey);
  const circuitId = useWiringView((state) => state.circuitId);
  const partsInHand = useMemo(
    () => (selection.length > 0 || stage.id !== "wiring" ? selection : membersOf(shown, circuitId)),
    [shown, selection, stage, circuitId],
  );
  const wordsOf = useCapWords(
    shown,
    lens === "practice" && !hasBareCaps ? (readsLegends ? "legends" : "outlines") : lens,
    layer,
    reach,
  );
  const corners = isArranging(stage) ? shown.boards.find(({ id }) => id === outlined)?.outline : null;
  const tabStop = selection.at(-1) ?? shown.controls[0]?.id;

  const modules = (isShown: (side: Controller["side"]) => boolean) =>
    derived.controllers.map(
      ({ controller, profile }) =>
        profile &&
        isShown(controller.side) && (
          <ModuleShape
            key={controller.id}
            controller={controller}
            profile={profile}
            selected={derived.controllers.length > 1 && lens === "pins" && controller.id === controllerId}
            detailed={lens === "pins"}
            taken={taken.get(controller.id) ?? NO_PINS}
          />
        ),
    );
  return (
    <Mat
      label={`Mat with ${design.name}, ${flipped ? "solder side" : "parts side"}`}
      content={content}
      fitKey={`${design.id} ${stage.id === "pins"} ${design.controls.length === 0}`}
      flipped={flipped}
      onFlip={flip}
      pinchZooms={!isLive}
      closeUp={lens === "pins" ? closeUpOf(shown) : null}
      {...hand.handlers}
      corner={<LensChoice lens={lens} onLens={onLens} hint={hand.hint} />}
    >
      <BoardShapes design={shown} />
      {lens !== "pins" && modules((side) => side === "under")}
      {shown.controls.map((control) => {
        const { words, small, corners } = wordsOf(control);
        return (
          <ControlShape
            key={control.id}
            control={control}
            part={partOf(control)}
            colour={reach ? warmth(reach, control.id) : groupColour(shown, control)}
            pitch={shown.pitch}
            selected={!isLive && chosen.has(control.id)}
            tone={tones.get(control.id) ?? "none"}
            words={words}
            small={small}
            corners={corners}
            ends={isLive && held.length > 0 ? heldEnds(control, held) : ""}
            lit={isLive ? (glows[control.id] ?? (lit.includes(control.id) ? lampColour(shown, control.id) : "")) : ""}
            solderSide={flipped}
            tabStop={control.id === tabStop}
          />
        );
      })}
      {isLive && hasSegments(shown) && <LiveDigits design={shown} />}
      {isLive && hasDots(shown) && <LiveGlass design={shown} />}
      {modules((side) => side === "top" || lens === "pins")}
      {lens === "plate" && <PlateLens design={shown} seam={seam?.proposal.seam ?? null} />}
      {corners && <CornerHandles corners={corners} />}
      {lens === "wires" && (
        <WiresLens
          design={shown}
          netId={netId}
          partIds={partsInHand}
          wireKey={stage.id === "wiring" ? wireKey : null}
          wordsOf={wordsOf}
        />
      )}
      {isLive && shown.controls.some(hasWiper) && <MovedOnMat design={shown} />}
      {lens === "step" && <StepOnMat design={shown} />}
      {lens === "faults" && <FaultsOnMat design={shown} />}
      {lens === "record" && <RecordOnMat design={shown} />}
      {lens === "practice" && <PracticeOnMat design={shown} />}
      {lens === "currents" && <LoadsOnMat design={shown} />}
      {lens === "pins" && <PinsLens design={shown} netId={netId} carried={hand.carried ?? null} />}
      {hand.frame && (
        <rect
          x={hand.frame.minXMm}
          y={hand.frame.minYMm}
          width={hand.frame.maxXMm - hand.frame.minXMm}
          height={hand.frame.maxYMm - hand.frame.minYMm}
          fill="var(--saffron)"
          fillOpacity={0.12}
          stroke="var(--saffron)"
          strokeWidth={0.3}
          strokeDasharray="1.5 1"
          pointerEvents="none"
        />
      )}
    </Mat>
  );
}

function LensChoice({ lens, onLens, hint }: { lens: LensId; onLens: (lens: LensId) => void; hint: string }) {
  return (
    <>
      <Box
        position="absolute"
        top="28px"
        left="28px"
        maxWidth="calc(100% - 84px)"
        display="flex"
        flexWrap="wrap"
        alignItems="center"
        gap="6px 10px"
        pointerEvents="none"
      >
        <Box
          role="group"
          aria-label="Lens"
          display="flex"
          flexWrap="wrap"
          bg="var(--ruler)"
          color="var(--mat-ink)"
          borderRadius="3px"
          padding="2px"
          fontSize="13px"
          pointerEvents="auto"
        >
          {lenses.map(({ id, title }) => (
            <button
              key={id}
              aria-pressed={id === lens}
              onClick={() => onLens(id)}
              style={{
                padding: "3px 8px",
                borderRadius: 2,
                background: id === lens ? "var(--mat-line-strong)" : "transparent",
                color: id === lens ? "#fff" : "inherit",
                fontWeight: id === lens ? 600 : 400,
              }}
            >
              {title}
            </button>
          ))}
        </Box>
      </Box>
      {hint && (
        <Box
          position="absolute"
          bottom="10px"
          left="28px"
          pointerEvents="none"
          bg="var(--saffron)"
          color="var(--saffron-ink)"
          padding="3px 10px"
          borderRadius="3px"
          fontSize="13px"
          role="status"
        >
          {hint}
        </Box>
      )}
    </>
  );
}
