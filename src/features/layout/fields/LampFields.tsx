import type { Lamp } from "@/core/catalogue/kinds/lamp";
import { NumberField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import type { KindFieldsProps } from "./kindFields";

export function LampFields({ control, change }: KindFieldsProps<Lamp>) {
  const setDiameter = (diameterMm: number) => change("diameter", { diameterMm });
  const setCurrent = (currentMa: number) => change("current", { currentMa });
  return (
    <Columns>
      <NumberField label="Lamp ⌀" unit="mm" min={1} max={30} value={control.diameterMm} onCommit={setDiameter} />
      <NumberField label="Current" unit="mA" min={0.1} max={50} value={control.currentMa} onCommit={setCurrent} />
    </Columns>
  );
}
