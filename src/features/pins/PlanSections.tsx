"use client";

import type { Design } from "@/core/document/schema";
import { type Conflict, canPlaceAll, pinConflict } from "@/core/pins/conflict";
import { type PinWishes, type Side, sides } from "@/core/document/pinWishes";
import { waysOut } from "@/core/edits/waysOut";
import { counted, listed } from "@/core/words";
import { edit } from "@/store/bench";
import { usePinPlanView } from "@/store/pinPlanView";
import { PlainButton } from "@/ui/pieces/buttons";
import { Tick } from "@/ui/pieces/fields";
import { Row, Section, Values } from "@/ui/pieces/sheets";

const setWishes = (title: string, change: Partial<PinWishes>) =>
  edit(title, (d) => ({ ...d, pinWishes: { ...d.pinWishes, ...change } }));

/** What the person would like of a plan; it counts from the next sharing out on. */
export function WishesSection({ design }: { design: Design }) {
  const { keepFree, rowsTogether } = design.pinWishes;
  const toggle = (side: Side, on: boolean) =>
    setWishes(`keep the ${side} side free`, {
      keepFree: on ? [...keepFree, side] : keepFree.filter((one) => one !== side),
    });
  return (
    <Section title="Wishes for the next plan">
      <Row>
        {sides.map((side) => (
          <Tick
            key={side}
            label={`${side} side free`}
            checked={keepFree.includes(side)}
            onChange={(on) => toggle(side, on)}
          />
        ))}
      </Row>
      <Tick
        label="Rows on neighbouring pins, in their order"
        checked={rowsTogether}
        onChange={(on) => setWishes("rows together", { rowsTogether: on })}
      />
    </Section>
  );
}

/** What the last plan came to, while the design is as it left it. */
export function LastPlan({ design }: { design: Design }) {
  const taken = usePinPlanView((state) => state.taken);
  if (!taken || taken.design.pinPlan !== design.pinPlan) return null;
  const { plan, moved } = taken;
  const proof =
    plan.proof === "optimal"
      ? "Proven: no plan that meets the same needs has shorter leads."
      : `Stopped early: at most ${(100 * (1 - plan.bound / plan.cost)).toFixed(1)} % could still be gained.`;
  return (
    <div role="status" aria-label="Last plan">
      <div>{proof}</div>
      <Values rows={[["Crossing leads in it", plan.crossings]]} />
      <details>
        <summary>{moved.length === 0 ? "No net has moved" : `${counted(moved.length, "net")} moved`}</summary>
        <ul style={{ paddingLeft: 18, margin: 0 }}>
          {moved.map(({ flag, from, to }) => (
            <li key={flag}>
              {flag}: {from || "no pin"} → {to || "no pin"}
            </li>
          ))}
        </ul>
      </details>
    </div>
  );
}

/** Which needs clash, and what would help; each way out was tried. */
export function ConflictSection({ design }: { design: Design }) {
  if (canPlaceAll(design)) return null;
  const conflict = pinConflict(design);
  const ways = waysOut(design);
  return (
    <Section title="This cannot be done">
      {conflict && <ConflictWords conflict={conflict} />}
      {!conflict && <div>There are fewer usable pins than nets that need one.</div>}
      {ways.map((way) => (
        <PlainButton
          key={way.title}
          height="auto"
          minHeight="30px"
          whiteSpace="normal"
          textAlign="left"
          justifyContent="flex-start"
          onClick={() => edit(way.title.toLowerCase(), way.apply)}
        >
          {way.title}
        </PlainButton>
      ))}
      {ways.length === 0 && <div>No single change helps: leave out several parts, or write a class of your own.</div>}
    </Section>
  );
}

function ConflictWords({ conflict: { nets, pins, locks } }: { conflict: Conflict }) {
  const names = nets.map(({ flag }) => flag);
  return (
    <div>
      {names.length > 12 ? `${counted(names.length, "net")} (${listed(names.slice(0, 4))} …)` : listed(names)} share{" "}
      {counted(pins.length, "pin")} that can serve them
      {locks.length > 0 ? `, and ${listed(locks.map(({ flag }) => flag))} cannot move` : ""}. Without any one of them
      the rest fits.
    </div>
  );
}
