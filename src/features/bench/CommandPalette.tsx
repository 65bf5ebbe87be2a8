"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { mirrorBoard, turnBoard } from "@/core/edits/boardPlaces";
import { addLayer } from "@/core/edits/keymap";
import type { Design } from "@/core/document/schema";
import { newId } from "@/store/newId";
import { chooseController, clearPins } from "@/core/edits/pins";
import { shareOutDirect } from "@/core/edits/wiring";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { edit, redoEdit, undoEdit, useDesign } from "@/store/bench";
import { placeOpen } from "@/store/briefEdits";
import { flip, pickLayer } from "@/store/hand";
import { type LayoutTab, openTab } from "@/store/layoutView";
import { type WiringTab, openWiringTab } from "@/store/wiringView";
import { useFindings } from "@/store/findings";
import { planAndAdoptPins } from "@/store/pinPlanView";
import { settleOrTell } from "./settleOrTell";
import { duplicateSelection, removeSelection, selectAll, turnSelection } from "@/store/selectionEdits";
import { Finder } from "@/ui/pieces/Finder";
import { wireAsBriefSays } from "@/ui/pieces/wireAsBriefSays";
import { notify } from "@/ui/pieces/notices";
import { Dialog } from "@/ui/pieces/Dialog";
import { setLight, useLight } from "@/ui/theme/light";
import { stages } from "../stages";
import { type Action, found } from "./actions";
import { exportChoices } from "./exportChoices";
import { exportDesign } from "@/ui/files/exportDesign";
import { useStage } from "./useStage";

/** What each stage is also called when someone looks for it. */
const STAGE_WORDS: Record<string, string> = {
  brief: "wish needs plan start requirements",
  layout: "place arrange move parts board plate",
  wiring: "matrix circuit connect solder diode",
  pins: "controller gpio pad assign",
  keymap: "bind layer key function legend",
  reports: "usb hid descriptor debounce timing bytes",
  make: "build steps order solder time parts buy cost suppliers",
  try: "simulate test press run live",
};

/** Ways into the sheets of the stages, by what people look for there. */
function useSheetActions(go: (stageId: string) => void): Action[] {
  const layout = (tab: LayoutTab) => () => {
    openTab(tab);
    go("layout");
  };
  const wiring = (tab: WiringTab) => () => {
    openWiringTab(tab);
    go("wiring");
  };
  return [
    {
      title: "Boards and their edges",
      words: "outline shape split halves panel margin link cable",
      run: layout("boards"),
    },
    { title: "Plates and fit", words: "seam split printer bed size laser cutter bend standoff", run: layout("fit") },
    { title: "Cap sets", words: "keycaps colours legends widths", run: layout("caps") },
    { title: "Reach of the fingers", words: "hand finger distance comfort ergonomics heat", run: layout("reach") },
    { title: "Rows and columns", words: "matrix plan search shortest wire lines grid", run: wiring("matrix") },
    { title: "Ghosts and rollover", words: "ghost ghosting phantom keys diode chords n-key", run: wiring("ghosts") },
    { title: "Walk the wires", words: "solder list cut length hand wire", run: wiring("wires") },
  ];
}

/** What can be done with boards, selections and layers. */
function useDesignActions(design: Design): Action[] {
  const boards = design.boards.flatMap(({ id, name }): Action[] => [
    {
      title: `Mirror ${name}`,
      words: "flip copy other half split symmetric reflect duplicate board",
      run: () => edit(`mirror ${name}`, (d) => mirrorBoard(d, id, MIRROR_GAP_MM, newId)),
    },
    {
      title: `Turn ${name} by 15°`,
      words: "rotate angle tilt tent board",
      run: () => edit(`turn ${name}`, (d) => turnBoard(d, id, 15)),
    },
  ]);
  return [
    {
      title: "Turn the selection by 90°",
      words: "rotate quarter angle",
      run: () => turnSelection(90),
    },
    {
      title: "Add a layer",
      words: "new layer function fn level shift hold",
      run: () => {
        const id = newId();
        edit("add a layer", (d) => addLayer(d, id, `Layer ${d.keymap.layers.length + 1}`));
        pickLayer(id);
      },
    },
    ...boards,
  ];
}

const MIRROR_GAP_MM = 30;

function useActions(onDialog: (dialog: "keys" | "load") => void): Action[] {
  const design = useDesign();
  const { findings } = useFindings(design);
  const light = useLight();
  const { go } = useStage();
  const router = useRouter();
  const sheets = useSheetActions(go);
  const ofDesign = useDesignActions(design);
  const cures = findings.flatMap((finding) =>
    finding.fixes.map((fix) => ({
      title: `Settle: ${fix}`,
      words: "fix solve repair warning problem",
      run: () => void settleOrTell(finding, fix),
    })),
  );
  return [
    ...stages.map((stage) => ({
      title: `Go to ${stage.title}`,
      words: STAGE_WORDS[stage.id],
      run: () => go(stage.id),
    })),
    { title: "Undo", words: "back revert", keys: "Ctrl Z", run: undoEdit },
    { title: "Redo", words: "again forward", keys: "Ctrl Shift Z", run: redoEdit },
    { title: "Turn the mat over", words: "flip mirror back solder side underside", keys: "F", run: flip },
    { title: "Select all", words: "everything", keys: "Ctrl A", run: selectAll },
    { title: "Duplicate the selection", words: "copy paste clone repeat", keys: "Ctrl D", run: duplicateSelection },
    { title: "Remove the selection", words: "delete erase clear", keys: "Delete", run: removeSelection },
    ...ofDesign,
    ...sheets,
    {
      title: "Share out rows and columns: follow the rows as they lie",
      words: "matrix assign number automatic",
      run: () => edit("share out rows and columns", (d) => shareOutMatrix(d, "as-laid-out")),
    },
    {
      title: "Share out rows and columns: fewest pins",
      words: "matrix assign number automatic square",
      run: () => edit("share out rows and columns", (d) => shareOutMatrix(d, "fewest-pins")),
    },
    {
      title: "Place what the brief leaves open",
      words: "add missing parts automatic arrange",
      run: () => void placeOpen(),
    },
    {
      title: "Wire as the brief's plan says",
      words: "connect automatic",
      run: () => void wireAsBriefSays(design),
    },
    {
      title: "Wire everything direct",
      words: "connect one pin each no matrix",
      run: () => edit("wire everything direct", shareOutDirect),
    },
    {
      title: "Share out pins",
      words: "assign gpio controller automatic route",
      run: () => void planAndAdoptPins("afresh"),
    },
    {
      title: "Free all pins that are not locked",
      words: "clear unassign reset",
      run: () => edit("free the pins", clearPins),
    },
    ...controllerCatalogue.map((profile) => ({
      title: `Take the ${profile.title}`,
      words: "controller board chip class choose",
      run: () => edit("choose a controller", (d) => chooseController(d, profile.id)),
    })),
    ...cures,
    {
      title: "Load it into its controller",
      words: "flash upload write board program firmware image",
      run: () => onDialog("load"),
    },
    ...exportChoices.map(({ id, title }) => ({
      title: `Export: ${title}`,
      words: "save download file print write",
      run: () => void exportDesign(design, id).then(notify),
    })),
    {
      title: light === "day" ? "Night bench" : "Day bench",
      words: "dark light theme colours",
      run: () => setLight(light === "day" ? "night" : "day"),
    },
    { title: "Keys of the bench", words: "shortcuts keyboard help", keys: "?", run: () => onDialog("keys") },
    { title: "Back to the shelf", words: "home designs open other close", run: () => router.push("/") },
  ];
}

interface PaletteProps {
  onClose: () => void;
  onDialog: (dialog: "keys" | "load") => void;
}

/** Every action by name. */
export function CommandPalette({ onClose, onDialog }: PaletteProps) {
  return (
    <Dialog title="What would you like to do?" open onClose={onClose}>
      <ActionFinder onClose={onClose} onDialog={onDialog} />
    </Dialog>
  );
}

const keyOf = ({ title }: Action) => title;

function ActionFinder({ onClose, onDialog }: PaletteProps) {
  const actions = useActions(onDialog);
  return (
    <Finder
      label="Action"
      open
      placeholder="Type a few letters"
      find={(query) => found(actions, query)}
      keyOf={keyOf}
      titleOf={keyOf}
      row={({ title, keys }) => (
        <Box display="flex" gap="12px">
          <Box flex="1">{title}</Box>
          {keys && (
            <Box fontFamily="mono" fontSize="13px" opacity={0.75}>
              {keys}
            </Box>
          )}
        </Box>
      )}
      nothing={() => "No action goes by these letters; try another word for it."}
      onChoose={(action) => {
        onClose();
        action.run();
      }}
      onClose={onClose}
      maxHeight="320px"
    />
  );
}
