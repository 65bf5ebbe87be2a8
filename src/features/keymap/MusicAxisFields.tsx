"use client";

import type { MusicUse } from "@/core/axisUses/musicUse";
import { LAST_FINE_CONTROLLER } from "@/core/hid/musicWords";
import { ChoiceField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { ChannelField } from "@/ui/pieces/musicFields";
import { ControllerField } from "./MusicDeeds";

const TELLS: Record<MusicUse["tells"], string> = {
  controller: "a controller, 0 to 127",
  fine: "a controller in 14 bits",
  bend: "the pitch",
};

/** Which controller an axis is. */
export function MusicAxisFields({ use, set }: { use: MusicUse; set: (use: MusicUse) => void }) {
  return (
    <Columns>
      <ChoiceField
        label="It tells"
        value={use.tells}
        choices={Object.entries(TELLS).map(([value, label]) => ({ value, label }))}
        onCommit={(tells) =>
          set({
            ...use,
            tells: tells as MusicUse["tells"],
            controller: tells === "fine" ? Math.min(use.controller, LAST_FINE_CONTROLLER) : use.controller,
          })
        }
      />
      {use.tells !== "bend" && (
        <ControllerField
          controller={use.controller}
          most={use.tells === "fine" ? LAST_FINE_CONTROLLER : undefined}
          onController={(controller) => set({ ...use, controller })}
        />
      )}
      <ChannelField channel={use.channel} onChannel={(channel) => set({ ...use, channel })} />
    </Columns>
  );
}
