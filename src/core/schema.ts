import {
  _default,
  array,
  boolean,
  config,
  type core,
  discriminatedUnion,
  enum as oneOf,
  int,
  iso,
  literal,
  maxLength,
  maximum,
  minLength,
  minimum,
  nullable,
  number,
  optional,
  partial,
  record,
  refine,
  regex,
  strictObject,
  string,
  union,
  type ZodMiniType,
} from "zod/mini";
import { isClean } from "./cleanText";
import { schemaMessage } from "./schemaMessages";

config({ localeError: schemaMessage });

/**
 * The small build of the schema library, and of it only the parts that are used: its namespace as a whole would bring
 * messages in fifty languages into a page's first script.
 */
export const z = {
  _default,
  array,
  boolean,
  discriminatedUnion,
  enum: oneOf,
  int,
  iso: { datetime: iso.datetime },
  literal,
  nullable,
  number,
  optional,
  partial,
  record,
  regex,
  strictObject,
  string,
  union,
};

// eslint-disable-next-line @typescript-eslint/no-namespace -- types only, beside the functions of the same name
export declare namespace z {
  export type infer<T> = core.output<T>;
}

export type Schema<T> = ZodMiniType<T>;
export type { core as schemaCore } from "zod/mini";

/** A text that can be printed everywhere; reading cleans what comes from outside before it is checked. */
export const text = (least: number, most: number) =>
  string().check(
    minLength(least),
    maxLength(most),
    refine((value) => isClean(value), "has a character that cannot be printed"),
  );
export const between = (least: number, most: number) => number().check(minimum(least), maximum(most));
export const whole = (least: number, most: number) => int().check(minimum(least), maximum(most));

export const listOf = <S extends core.$ZodType>(item: S, most: number, least = 0) =>
  array(item).check(minLength(least), maxLength(most));
