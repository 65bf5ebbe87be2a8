"use client";

import type { Design } from "@/core/document/schema";
import { type PinWishes, type Side, sides } from "@/core/document/pinWishes";
import { counted } from "@/core/words";
import { edit } from "@/store/bench";
import { usePinPlanView } from "@/store/pinPlanView";
import { Checkbox } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";

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
          <Checkbox
            key={side}
            label={`${side} side free`}
            checked={keepFree.includes(side)}
            onChange={(on) => toggle(side, on)}
          />
        ))}
      </Row>
      <Checkbox
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
