/** Reads the environment and listens. */

import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { makeApp } from "./app.js";
import { listen } from "./listen.js";

const here = dirname(fileURLToPath(import.meta.url));
const pages = process.env["TEMBRAK_PAGES"] ?? join(here, "../../app/dist");
const wanted = Number(process.env["PORT"] ?? 4173);
const say = (line: string): void => void process.stdout.write(`${line}\n`);

const { address } = await listen(makeApp({ pages, demo: process.env["TEMBRAK_DEMO"] === "1" }), wanted, (port) =>
  say(`Port ${port} is busy, trying ${port + 1}.`),
);
say(`Tembrak is at ${address}`);
