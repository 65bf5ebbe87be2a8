// npm run bench: the rows of the speed table that exist so far, measured now, each as a ratio to its limit.
import { buildApp, installPackages, run } from "./prepare.mjs";

installPackages();
await buildApp();
run(process.execPath, ["node_modules/tsx/dist/cli.mjs", "--tsconfig", "tsconfig.json", "scripts/bench/rows.ts"]);
