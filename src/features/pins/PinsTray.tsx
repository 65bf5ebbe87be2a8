"use client";

import { placementSchema } from "@/core/catalogue/kinds/controlKind";
import { PLACE_LINES, NumberFields } from "@/ui/pieces/NumberFields";
import { later } from "@/ui/pieces/later";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { usablePins } from "@/core/catalogue/controllers/controllerProfile";
import { derive } from "@/core/derived/derive";
import { halfOf, onHalf } from "@/core/derived/halves";
import type { Design } from "@/core/document/schema";
import { clearPins, lockPins, moveController } from "@/core/edits/pins";
import { crossingPaths, leadPaths, wireMm } from "@/core/pins/leads";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField, Checkbox } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";
import { planAndAdoptPins, stopPinPlanning, usePinPlanView } from "@/store/pinPlanView";
import { chooseProfile } from "./chooseProfile";
import { MoreControllers, WhichController, useChosenController } from "./MoreControllers";
import { turnModule } from "./turnModule";
import { LastPlan, WishesSection } from "./PlanSections";
import { ClassesSection } from "./ClassesSection";
import { PinField } from "./PinField";

/** Ways out are tried only where something is without a pin. */
const ConflictSection = later(() => import("./ConflictSection").then((m) => m.ConflictSection));

/** Which controller, where it lies, and which net is on which pin. */
export function PinsTray() {
  const design = useDesign();
  const netId = useHand((state) => state.netId);
  const isPlanning = usePinPlanView((state) => state.isPlanning);
  const controllerId = useChosenController(design);
  const half = halfOf(design, controllerId);
  const { controller, profile, signalNets } = derive(half);
  const change = (title: string, made: (half: Design) => Design) =>
    edit(title, controllerId === null ? made : onHalf(controllerId, made));
  const net = netId ? derive(design).netById.get(netId) : undefined;
  const classes = [...design.profiles, ...controllerCatalogue];
  const choices = [
    ...(profile ? [] : [{ value: "", label: "choose one" }]),
    ...classes.map(({ id, title }) => ({ value: id, label: title })),
  ];
  const placed = signalNets.filter((n) => half.pinPlan[n.id]).length;
  const assignments = Object.fromEntries(Object.entries(half.pinPlan).map(([id, choice]) => [id, choice.pin]));
  const crossing = crossingPaths(leadPaths(half, assignments)).length;
  return (
    <>
      <Section title="Controller">
        {design.controllers.length > 1 && <WhichController design={design} controllerId={controllerId} />}
        <ChoiceField
          label="Class"
          value={profile ? controller!.profileId : ""}
          choices={choices}
          onCommit={(id) => id && void chooseProfile(id, controllerId)}
        />
        {profile && <div style={{ color: "var(--faint)" }}>{profile.summary}</div>}
        {profile && controller && (
          <>
            <Columns count={3}>
              <NumberFields
                schema={placementSchema}
                lines={PLACE_LINES}
                values={controller.placement}
                onCommit={(key, value) =>
                  change(`${key === "rotationDeg" ? "turn" : "place"} the controller`, (d) =>
                    moveController(d, { [key]: value }),
                  )
                }
              />
            </Columns>
            <ChoiceField
              label="Lies"
              value={controller.side}
              choices={[
                { value: "top", label: "parts side up" },
                { value: "under", label: "under the board (mirrored)" },
              ]}
              onCommit={(side) =>
                change("side of the controller", (d) => moveController(d, { side: side as "top" | "under" }))
              }
            />
          </>
        )}
        {controller && <MoreControllers design={design} controllerId={controller.id} />}
      </Section>
      {profile && (
        <Section title="Pins">
          <Row>
            <StepButton disabled={isPlanning} onClick={() => void planAndAdoptPins("afresh")}>
              Share out pins
            </StepButton>
            {placed > 0 && (
              <PlainButton disabled={isPlanning} onClick={() => void planAndAdoptPins("fewest-moves")}>
                Move as few as can be
              </PlainButton>
            )}
            {isPlanning && <PlainButton onClick={stopPinPlanning}>Stop planning</PlainButton>}
            <PlainButton onClick={() => edit("free the pins", clearPins)}>Free the unlocked</PlainButton>
          </Row>
          <Values
            rows={[
              ["Nets with a pin", `${placed} of ${signalNets.length}`],
              ["Usable pins", usablePins(profile).length],
              ["Leads, straight", `${wireMm(half, assignments).toFixed(0)} mm`],
              ["Leads that cross", crossing],
              ["Logic voltage", `${profile.logicV} V`],
              ["Internal pull-up", `${profile.pullUpMinOhm / 1000} to ${profile.pullUpMaxOhm / 1000} kΩ`],
            ]}
          />
          {crossing > 0 && (
            <PlainButton disabled={isPlanning} onClick={() => void turnModule(crossing, controllerId)}>
              Turn the module for fewer crossings
            </PlainButton>
          )}
          <LastPlan design={design} />
        </Section>
      )}
      {profile && placed < signalNets.length && <ConflictSection design={half} change={change} />}
      {profile && !net && <WishesSection design={design} />}
      {net?.need && profile && (
        <Section title={`Net ${net.flag}`}>
          <PinField net={net} />
          <Checkbox
            label="Locked to this pin"
            disabled={!design.pinPlan[net.id]}
            checked={design.pinPlan[net.id]?.locked ?? false}
            onChange={(locked) =>
              edit(`${locked ? "lock" : "unlock"} ${net.flag}`, (d) => lockPins(d, [net.id], locked))
            }
          />
        </Section>
      )}
      {!net && <ClassesSection />}
      {profile && !net && (
        <Section title="By hand">
          <div>
            Drag a net’s flag to another pin, move it with the arrow keys while it has the focus, or choose the pin in
            the table; a taken pin is swapped. Locked nets stay where they are. Drag the module to move it.
          </div>
        </Section>
      )}
    </>
  );
}
