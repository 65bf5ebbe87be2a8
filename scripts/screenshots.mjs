// npm run screenshots: one current picture of each main view, from demo data, into docs/screenshots.
import { buildApp, installPackages, run } from "./prepare.mjs";

installPackages();
await buildApp();
run(process.execPath, ["node_modules/tsx/dist/cli.mjs", "--tsconfig", "tsconfig.json", "scripts/screenshots/shoot.ts"]);
