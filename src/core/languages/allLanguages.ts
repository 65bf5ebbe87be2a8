import { bringLanguages } from "./known";
import { hostLanguage } from "./languages";

/** For all that runs beside the screen: workers, the server, tests. */
export const bringAllLanguages = (): void => bringLanguages(hostLanguage);
