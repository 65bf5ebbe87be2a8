import type { Key } from "@/core/catalogue/kinds/key";
import { NumberField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { WidthChips } from "../WidthChips";
import type { KindFieldsProps } from "./kindFields";

export function KeyFields({ control, change }: KindFieldsProps<Key>) {
  const setWidth = (widthU: number) => change("width", { widthU });
  const setHeight = (heightU: number) => change("height", { heightU });
  return (
    <>
      <Columns>
        <NumberField label="Cap width" unit="u" min={0.5} max={10} value={control.widthU} onCommit={setWidth} />
        <NumberField label="Cap height" unit="u" min={0.5} max={4} value={control.heightU} onCommit={setHeight} />
      </Columns>
      <WidthChips onWidth={setWidth} current={control.widthU} />
    </>
  );
}
