import { type Wish, type WishCount, wishCounts, wishSchema } from "@/core/document/wish";
import { Checkbox } from "@/ui/pieces/fields";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Columns } from "@/ui/pieces/sheets";

const LABELS: Record<WishCount, string> = {
  keys: "Keys",
  toggles: "Toggles",
  encoders: "Encoders",
  concentrics: "Concentrics",
  sticks2: "Sticks, 2 axes",
  sticks3: "Sticks, 3 axes",
  pots: "Pots",
  fiveWays: "Five-ways",
  ladderPads: "Ladder pads",
  lamps: "Lamps",
  lights: "Chain lights",
  segments: "Segments",
  displays: "Displays",
  radios: "Radio modules",
  buzzers: "Buzzers",
  motors: "Motors",
};

const LINES = wishCounts.map((key): NumberLine<WishCount> => ({ key, label: LABELS[key], unit: "" }));

interface CountFieldsProps {
  wish: Wish;
  change: (what: string, fields: Partial<Wish>) => void;
}

/** All counts, and the pushes of what is counted. */
export function CountFields({ wish, change }: CountFieldsProps) {
  return (
    <>
      <Columns count={3}>
        <NumberFields
          schema={wishSchema}
          lines={LINES}
          values={wish}
          onCommit={(key, value, { label }) => change(label.toLowerCase(), { [key]: value })}
        />
      </Columns>
      {wish.encoders > 0 && (
        <Checkbox
          label="Encoders can be pushed"
          checked={wish.encoderPush}
          onChange={(encoderPush) => change("push of encoders", { encoderPush })}
        />
      )}
      {wish.concentrics > 0 && (
        <Checkbox
          label="Concentric encoders can be pushed"
          checked={wish.concentricPush}
          onChange={(concentricPush) => change("push of concentric encoders", { concentricPush })}
        />
      )}
      {wish.sticks2 + wish.sticks3 > 0 && (
        <Checkbox
          label="Sticks can be pushed"
          checked={wish.stickPush}
          onChange={(stickPush) => change("push of sticks", { stickPush })}
        />
      )}
    </>
  );
}
