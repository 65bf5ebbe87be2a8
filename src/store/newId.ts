import { nanoid } from "nanoid";

/** A fresh id for a control, layer or design. */
export const newId = (): string => nanoid(10);
