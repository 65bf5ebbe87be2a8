import type { Design } from "../document/schema";
import type { Finding, Fix, Severity, ToldFinding } from "./finding";
import { observe } from "./observe";
import { rules } from "./registry";

const WEIGHT: Record<Severity, number> = { stop: 0, warn: 1, note: 2 };

/** All findings on a design, the most pressing first. */
export function findingsOf(design: Design): Finding[] {
  const accepted = acceptedFindings(design);
  return rules
    .flatMap((rule) =>
      observe(rule, design).map((observation): Finding => ({
        rule: rule.id,
        stage: rule.stage,
        why: rule.why,
        source: rule.source,
        severity: rule.severity,
        fixes: [],
        ...observation,
      })),
    )
    .map((finding) => leftAsItIs(finding, accepted))
    .sort((a, b) => WEIGHT[a.severity] - WEIGHT[b.severity]);
}

const keyOf = ({ rule, message }: { rule: string; message: string }) => `${rule} ${message}`;

/** Why findings are left as they are, by rule and words. */
const acceptedFindings = ({ journal }: Design): Map<string, string> =>
  new Map(
    journal.flatMap(({ kind, finding, text }) => (kind === "accepted" && finding ? [[keyOf(finding), text]] : [])),
  );

/** What stops a device is told whatever somebody wrote. */
function leftAsItIs(finding: Finding, accepted: Map<string, string>): Finding {
  const why = accepted.get(keyOf(finding));
  return why === undefined || finding.severity === "stop" ? finding : { ...finding, severity: "note", accepted: why };
}

/** A finding as values only, to be copied to another thread or written out. */
export function toldFinding(finding: Finding): ToldFinding {
  const { rule, severity, message, subjects, stage, why, source, fixes, accepted } = finding;
  const told = { rule, severity, message, subjects, stage, why, source, fixes: fixes.map(({ title }) => title) };
  return accepted === undefined ? told : { ...told, accepted };
}

/** The fix that a told finding offers under a title, for the design as it is now; null when it is not offered any more. */
export function fixOf(design: Design, told: Pick<ToldFinding, "rule" | "message">, title: string): Fix | null {
  const rule = rules.find(({ id }) => id === told.rule);
  const offered = rule ? observe(rule, design).filter(({ message }) => message === told.message) : [];
  return offered.flatMap(({ fixes = [] }) => fixes).find((fix) => fix.title === title) ?? null;
}
