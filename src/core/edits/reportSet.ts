import type { Design } from "../document/schema";
import type { PadSettings } from "../hid/padShape";
import type { PanelSettings } from "../hid/panelSettings";

/** What the computer can tell, by name. */
export const setPanel = (design: Design, panel: PanelSettings): Design => ({
  ...design,
  reportSet: { ...design.reportSet, panel },
});

/** What the game pad holds, where it is not as usual. */
export const setPad = (design: Design, pad: PadSettings): Design => ({
  ...design,
  reportSet: { ...design.reportSet, pad },
});
