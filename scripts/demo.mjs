// npm run demo: installs, builds and starts the app on a local address, with the demo designs on the shelf.
import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { buildApp, installPackages, nextStart, root } from "./prepare.mjs";

const FIRST_PORT = Number(process.env.PORT ?? 4100);
const TRIES = 20;

const isFree = (port) =>
  new Promise((resolve) => {
    const server = createServer();
    server.once("error", () => resolve(false));
    server.listen(port, "127.0.0.1", () => server.close(() => resolve(true)));
  });

async function freePort() {
  for (let port = FIRST_PORT; port < FIRST_PORT + TRIES; port++) if (await isFree(port)) return port;
  throw new Error(`no free port from ${FIRST_PORT} to ${FIRST_PORT + TRIES - 1}; set PORT to another`);
}

async function answers(address) {
  for (let tries = 0; tries < 120; tries++) {
    try {
      if ((await fetch(`${address}/api/demos`)).ok) return true;
    } catch {
      // not listening yet
    }
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  return false;
}

installPackages();
await buildApp();
const port = await freePort();
const address = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, nextStart(port), {
  cwd: root,
  stdio: ["ignore", "ignore", "inherit"],
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
});
server.on("exit", (code) => process.exit(code ?? 0));
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
if (!(await answers(address))) {
  server.kill();
  throw new Error("the app did not start");
}
console.log(`
Ovrin is at ${address}

Open it in a browser. The demo designs are on the shelf: open Kestrel, walk down the job card on the left from
Brief to Try, and press its keys. Ctrl C ends it.
`);
