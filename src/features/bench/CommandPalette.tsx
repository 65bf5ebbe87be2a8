"use client";

import { Box, Input } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { placeBrief, wireAsPlanned } from "@/core/design/edits/brief";
import { newId } from "@/store/newId";
import { chooseController, clearPins, takePinPlan } from "@/core/design/edits/pins";
import { shareOutDirect, shareOutMatrix } from "@/core/design/edits/wiring";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { planPins } from "@/core/pins/planPins";
import { edit, redoEdit, undoEdit, useDesign } from "@/store/bench";
import { flip } from "@/store/hand";
import { useFindings } from "@/store/findings";
import { duplicateSelection, removeSelection, selectAll } from "@/store/selectionEdits";
import { notify } from "@/ui/pieces/notices";
import { Slip } from "@/ui/pieces/Slip";
import { setLight, useLight } from "@/ui/theme/light";
import { stages } from "../stages";
import { exportChoices, exportDesign } from "./exportDesign";
import { useStage } from "./useStage";

interface Command {
  title: string;
  run: () => void;
}

function useCommands(onKeys: () => void): Command[] {
  const design = useDesign();
  const findings = useFindings(design);
  const light = useLight();
  const { go } = useStage();
  const router = useRouter();
  const cures = findings.flatMap((finding) =>
    finding.fixes.map((fix) => ({
      title: `Settle: ${fix.title}`,
      run: () => edit(fix.title.toLowerCase(), fix.apply),
    })),
  );
  return [
    ...stages.map((stage) => ({ title: `Go to ${stage.title}`, run: () => go(stage.id) })),
    { title: "Undo", run: undoEdit },
    { title: "Redo", run: redoEdit },
    { title: "Turn the mat over", run: flip },
    { title: "Select all", run: selectAll },
    { title: "Duplicate the selection", run: duplicateSelection },
    { title: "Remove the selection", run: removeSelection },
    {
      title: "Share out rows and columns: follow the rows as they lie",
      run: () => edit("share out rows and columns", (d) => shareOutMatrix(d, "as-laid-out")),
    },
    {
      title: "Share out rows and columns: fewest pins",
      run: () => edit("share out rows and columns", (d) => shareOutMatrix(d, "fewest-pins")),
    },
    { title: "Place what the brief leaves open", run: () => edit("place the brief", (d) => placeBrief(d, newId)) },
    { title: "Wire as the brief's plan says", run: () => edit("wire as planned", wireAsPlanned) },
    { title: "Wire everything direct", run: () => edit("wire everything direct", shareOutDirect) },
    { title: "Share out pins", run: () => edit("share out pins", (d) => takePinPlan(d, planPins(d))) },
    { title: "Free all pins that are not locked", run: () => edit("free the pins", clearPins) },
    ...controllerCatalogue.map((profile) => ({
      title: `Take the ${profile.title}`,
      run: () => edit("choose a controller", (d) => chooseController(d, profile.id)),
    })),
    ...cures,
    ...exportChoices.map(({ id, title }) => ({
      title: `Export: ${title}`,
      run: () => void exportDesign(design, id).then(notify),
    })),
    { title: light === "day" ? "Night bench" : "Day bench", run: () => setLight(light === "day" ? "night" : "day") },
    { title: "Keys of the bench", run: onKeys },
    { title: "Back to the shelf", run: () => router.push("/") },
  ];
}

/** Every action by name. */
export function CommandPalette({ onClose, onKeys }: { onClose: () => void; onKeys: () => void }) {
  return (
    <Slip title="What would you like to do?" open onClose={onClose}>
      <Finder onClose={onClose} onKeys={onKeys} />
    </Slip>
  );
}

function Finder({ onClose, onKeys }: { onClose: () => void; onKeys: () => void }) {
  const commands = useCommands(onKeys);
  const [query, setQuery] = useState("");
  const [at, setAt] = useState(0);
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const begins = ({ title }: Command) => (title.toLowerCase().startsWith(query.trim().toLowerCase()) ? 0 : 1);
  const hits = commands
    .filter(({ title }) => words.every((word) => title.toLowerCase().includes(word)))
    .sort((a, b) => begins(a) - begins(b));
  const chosen = Math.min(at, hits.length - 1);
  const run = (command: Command | undefined) => {
    if (!command) return;
    onClose();
    command.run();
  };
  return (
    <>
      <Input
        autoFocus
        role="combobox"
        aria-expanded="true"
        aria-controls="found-actions"
        aria-activedescendant={hits.length > 0 ? `action-${chosen}` : undefined}
        aria-label="Action"
        placeholder="Type a few letters"
        value={query}
        onChange={(event) => {
          setQuery(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown") setAt(Math.min(chosen + 1, hits.length - 1));
          else if (event.key === "ArrowUp") setAt(Math.max(chosen - 1, 0));
          else if (event.key === "Enter") run(hits[chosen]);
          else return;
          event.preventDefault();
        }}
      />
      <Box id="found-actions" role="listbox" aria-label="Actions" maxHeight="320px" overflowY="auto" marginTop="8px">
        {hits.map((command, nth) => (
          <Box
            key={command.title}
            id={`action-${nth}`}
            ref={(element: HTMLDivElement | null) => nth === chosen && element?.scrollIntoView({ block: "nearest" })}
            role="option"
            aria-selected={nth === chosen}
            padding="5px 8px"
            borderRadius="2px"
            cursor="pointer"
            bg={nth === chosen ? "var(--saffron)" : "transparent"}
            color={nth === chosen ? "var(--saffron-ink)" : "inherit"}
            onClick={() => run(command)}
            onPointerEnter={() => setAt(nth)}
          >
            {command.title}
          </Box>
        ))}
        {hits.length === 0 && <Box padding="8px">No action has these letters in its name.</Box>}
      </Box>
    </>
  );
}
