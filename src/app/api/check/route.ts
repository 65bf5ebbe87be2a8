import { good } from "@/core/design/problem";
import { factsOf, findingsOf } from "@/core/findings/check";
import { withDesign } from "../request";

export const POST = (request: Request) =>
  withDesign(request, async (design) => {
    const findings = findingsOf(design).map(({ rule, severity, message, subjects, stage, why, source, fixes }) => ({
      rule,
      severity,
      message,
      subjects,
      stage,
      why,
      source,
      fixes: fixes.map((fix) => fix.title),
    }));
    return good(Response.json({ findings, facts: factsOf(design) }));
  });
