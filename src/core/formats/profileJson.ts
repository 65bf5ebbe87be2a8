import { type ControllerProfile, controllerProfileSchema } from "../catalogue/controllers/controllerProfile";
import { type Result, bad, good } from "../document/problem";
import { utf8 } from "./artifact";

const FORMAT = "ovrin-controller";

/** A controller class as a file of its own. */
export const profileJson = (profile: ControllerProfile): Uint8Array =>
  utf8(`${JSON.stringify({ format: FORMAT, version: 1, profile }, null, 2)}\n`);

/** Reads a controller class from such a file, or the bare class as it stands in a design. */
export function readProfile(text: string): Result<ControllerProfile> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return bad({
      path: "",
      message: `The file is not JSON: ${error instanceof Error ? error.message : String(error)}`,
    });
  }
  const inner = typeof json === "object" && json !== null && "profile" in json ? json.profile : json;
  const parsed = controllerProfileSchema.safeParse(inner);
  if (parsed.success) return good(parsed.data);
  return bad(
    ...parsed.error.issues.slice(0, 20).map(({ path, message }) => ({ path: path.map(String).join("."), message })),
  );
}
