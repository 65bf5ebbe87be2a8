import * as z from "zod/mini";
import english from "zod/v4/locales/en.js";

// The small build of the schema library: a page's first script carries only the checks that are used.
z.config(english());

export { z };
export type Schema<T> = z.ZodMiniType<T>;
export type { core as schemaCore } from "zod/mini";

export const text = (least: number, most: number) => z.string().check(z.minLength(least), z.maxLength(most));
export const between = (least: number, most: number) => z.number().check(z.minimum(least), z.maximum(most));
export const whole = (least: number, most: number) => z.int().check(z.minimum(least), z.maximum(most));

export const listOf = <S extends z.core.$ZodType>(item: S, most: number, least = 0) =>
  z.array(item).check(z.minLength(least), z.maxLength(most));
