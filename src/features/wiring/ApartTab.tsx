"use client";

import { Box } from "@chakra-ui/react";
import type { FarPart } from "@/core/brief/apart/partsApart";
import type { ApartWay } from "@/core/brief/apart/way";
import { addedParts } from "@/core/catalogue/prices";
import { halfName } from "@/core/derived/halfName";
import { isModule, isOnBus } from "@/core/document/partLinks";
import type { Design } from "@/core/document/schema";
import { changePartLink, linkToMain, removeController, removePartLink } from "@/core/edits/controllers";
import { edit, useDesign } from "@/store/bench";
import { callModulesOn, giveOwnController } from "@/store/ownController";
import { usePinPlanView } from "@/store/pinPlanView";
import { usePartsApart } from "@/store/apartPlan";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";

/** How each part that lies apart from the controller could be reached, the schools beneath each other. */
export function ApartTab() {
  const design = useDesign();
  const apart = usePartsApart(design);
  if (apart === undefined) return <Box paddingBlock="10px">Working out the ways…</Box>;
  if (apart === null)
    return (
      <Box paddingBlock="10px" color="var(--faint)">
        Choose a controller in Pins and lay it on one of the parts: then each other part is worked out in every way.
      </Box>
    );
  return (
    <>
      <Box fontSize="13px" color="var(--faint)" paddingTop="10px">
        The {design.controllers.length > 1 ? "main " : ""}controller lies on {apart.near.name}. What is added counts for
        the other part alone; pins are those of this controller.
      </Box>
      {design.controllers.length > 1 && <LinksSection design={design} />}
      {apart.far.map((part) => (
        <Ways key={part.board.id} part={part} design={design} />
      ))}
    </>
  );
}

const Ways = ({ part: { board, ways }, design }: { part: FarPart; design: Design }) => (
  <Box as="section" aria-label={`Ways to ${board.name}`}>
    <Box as="h2" fontSize="15px" fontWeight="700" paddingTop="12px">
      To {board.name}
    </Box>
    {ways.map((way) => (
      <WaySection key={way.id} way={way} design={design} boardId={board.id} />
    ))}
  </Box>
);

/** Wires it so, where the program does it by itself; one step back undoes all of it. */
function TakeWay({ way, design, boardId }: { way: ApartWay; design: Design; boardId: string }) {
  const own = design.controllers.find(({ placement }) => placement.boardId === boardId);
  const isPlanning = usePinPlanView((state) => state.isPlanning);
  const link = (design.partLinks ?? []).find(({ farId }) => farId === own?.id);
  if (way.id === "own-plug") {
    if (own?.ownPlug) return <Box fontSize="13px">It is wired so now.</Box>;
    if (own || way.lacks || !way.profileId || (design.partLinks ?? []).length > 0) return null;
    const { profileId } = way;
    return (
      <PlainButton disabled={isPlanning} onClick={() => void giveOwnController(boardId, profileId, "plug")}>
        Wire it so
      </PlainButton>
    );
  }
  if (way.id === "serial" || way.id === "bus-module") {
    const isBus = way.id === "bus-module";
    if (link && isModule(link) === isBus) return <Box fontSize="13px">It is wired so now.</Box>;
    const others = (design.partLinks ?? []).filter((one) => one !== link);
    const clash = others.find((one) => isModule(one) !== isBus) ?? (isBus ? undefined : others[0]);
    if (clash && !own)
      return (
        <Box fontSize="13px">
          {isBus
            ? "The other part is on a serial line; a device has that line or modules, not both."
            : "A device has a serial line, or modules on a bus; another part is joined already."}
        </Box>
      );
    if (own || way.lacks || !way.profileId) return null;
    const { profileId } = way;
    const calls = isBus ? (others[0]?.calls ?? "shared") : null;
    return (
      <PlainButton disabled={isPlanning} onClick={() => void giveOwnController(boardId, profileId, calls)}>
        Wire it so
      </PlainButton>
    );
  }
  if (way.id !== "ribbon" || !own) return null;
  return (
    <PlainButton onClick={() => edit("one controller for both", (d) => removeController(d, own.id))}>
      Do without its controller
    </PlainButton>
  );
}

/** Lines between controllers that are there. */
function LinksSection({ design }: { design: Design }) {
  const [main, ...others] = design.controllers;
  const linkOf = (id: string) => (design.partLinks ?? []).find(({ farId }) => farId === id);
  return (
    <Section title={isOnBus(design) ? "Modules on the bus" : "Lines between controllers"}>
      {isOnBus(design) && <CallsField design={design} />}
      {others.map(({ id, ownPlug }) => {
        const name = halfName(design, id);
        const link = linkOf(id);
        if (ownPlug) return <Box key={id}>{name} has a plug of its own: nothing runs to it.</Box>;
        if (!link)
          return (
            <PlainButton key={id} onClick={() => edit("join two controllers", (d) => linkToMain(d, id))}>
              Join {name} to {halfName(design, main.id)}
            </PlainButton>
          );
        return (
          <Box key={id}>
            <ChoiceField
              label={isModule(link) ? `Plugs of ${name}` : `Plugs of the line to ${name}`}
              value={link.plug}
              choices={[
                { value: "keyed", label: "keyed: they go in one way only" },
                { value: "either-way", label: "rows of pins: they can be put on the wrong way round" },
              ]}
              onCommit={(plug) =>
                edit("plugs of a line", (d) => changePartLink(d, link.id, { plug: plug as "keyed" | "either-way" }))
              }
            />
            <PlainButton onClick={() => edit("take a line away", (d) => removePartLink(d, link.id))}>
              {isModule(link) ? `Take ${name} off the bus` : "Take the line away"}
            </PlainButton>
          </Box>
        );
      })}
    </Section>
  );
}

/** On how many lines modules call; the pins of lines that go become free, those that come want some. */
const CallsField = ({ design }: { design: Design }) => (
  <ChoiceField
    label="Modules call on"
    value={(design.partLinks ?? []).find(isModule)?.calls ?? "shared"}
    choices={[
      { value: "shared", label: "one line for all: asked in turn until it is let go" },
      { value: "own", label: "a line each: who calls is asked at once" },
    ]}
    onCommit={(calls) => void callModulesOn(calls as "shared" | "own")}
  />
);

const later = ({ least, most }: ApartWay["laterMs"]) => {
  if (most === 0) return "nothing";
  return least === most ? `${most.toFixed(2)} ms` : `${least.toFixed(2)} to ${most.toFixed(2)} ms`;
};

function addedWords({ parts, controller }: ApartWay): string {
  const added = addedParts.filter(({ id }) => parts[id]).map(({ id, title }) => `${parts[id]} × ${title}`);
  return [...(controller ? [controller] : []), ...added].join(", ") || "nothing";
}

function WaySection({ way, design, boardId }: { way: ApartWay; design: Design; boardId: string }) {
  const { title, conductors, pins, money, joints, laterMs, breaks, lacks } = way;
  return (
    <Section title={title}>
      {lacks && <Box color="var(--stop)">It cannot be so: {lacks}.</Box>}
      <Values
        rows={[
          ["Conductors", conductors.length],
          ["Pins", `${pins.needed} of ${pins.had}`],
          ["Money", money.toFixed(2)],
          ["Joints, cable and parts", joints],
          ["A press there comes later by", later(laterMs)],
        ]}
      />
      {conductors.length > 0 && (
        <Box fontSize="13px" color="var(--faint)">
          Conductors: {conductors.join(", ")}.
        </Box>
      )}
      <Box fontSize="13px">Added: {addedWords(way)}.</Box>
      <TakeWay way={way} design={design} boardId={boardId} />
      <Box as="ul" fontSize="13px" color="var(--faint)" paddingInlineStart="16px" listStyleType="disc">
        {breaks.map((words) => (
          <li key={words}>{words[0].toUpperCase() + words.slice(1)}.</li>
        ))}
      </Box>
    </Section>
  );
}
