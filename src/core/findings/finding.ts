import type { Derived } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Stage } from "../document/stageIds";

export type Severity = "stop" | "warn" | "note";
export type { Stage } from "../document/stageIds";

/** What a finding is about. */
export interface Subject {
  kind: "control" | "element" | "net" | "pin" | "layer" | "input";
  id: string;
}

/** A way out in one click: a pure edit. */
export interface Fix {
  title: string;
  apply(design: Design): Design;
}

/** What one rule says of one place: the sentence a colleague would say, with the numbers in it. */
export interface Observation {
  message: string;
  subjects: Subject[];
  fixes?: Fix[];
  /** When it differs from the rule's own. */
  severity?: Severity;
  /** When it is settled in another stage than the rule's own. */
  stage?: Stage;
}

/** One checked rule. A new rule is one file that exports this, and one line in the registry. */
export interface Rule {
  id: string;
  stage: Stage;
  severity: Severity;
  /** Why it matters. */
  why: string;
  /** Where the limit comes from. */
  source: string;
  /** It looks at one controller with what hangs on it: on a design of several, each is looked at by itself. */
  eachController?: true;
  check(design: Design, derived: Derived): Observation[];
}

export interface Finding extends Required<Omit<Observation, "fixes">> {
  rule: string;
  /** Why it is left as it is; it is a note then. */
  accepted?: string;
  stage: Stage;
  why: string;
  source: string;
  fixes: Fix[];
}

/** A finding without its edits: the titles of its fixes only, so that it can be copied. */
export type ToldFinding = Omit<Finding, "fixes"> & { fixes: string[] };

export const controlSubject = (id: string): Subject => ({ kind: "control", id });
export const netSubject = (id: string): Subject => ({ kind: "net", id });

export { counted, listed } from "../words";
