import type { LucideIcon } from "lucide-react";
import type { ComponentType } from "react";
import type { Part } from "@/core/catalogue/parts/part";
import type { Pitch } from "@/core/catalogue/kinds/controlKind";

export interface FaceProps<C> {
  control: C;
  pitch: Pitch;
  part: Part;
  pressed: boolean;
  /** Names of its ends that are held or on, with a space between. */
  ends: string;
  /** The colour it is lit in; empty while dark. */
  lit: string;
}

/** How one kind of control looks. A new kind is one file that exports this, and one line in the registry. */
export interface KindView<C> {
  /** Its sign on buttons. */
  Sign: LucideIcon;
  /** What is drawn on the cap, about the control's centre, in mm. */
  Face: ComponentType<FaceProps<C>>;
  /** Room for words on the cap; null where there is none. */
  wordsWidthMm(control: C, pitch: Pitch, part: Part): number | null;
}
