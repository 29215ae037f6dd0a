/** Reads the environment and listens. */

import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { makeApp } from "./app.js";
import { listen } from "./listen.js";
import { openBeside } from "./runningShop.js";

const here = dirname(fileURLToPath(import.meta.url));
const pages = process.env["TEMBRAK_PAGES"] ?? join(here, "../../app/dist");
const wanted = Number(process.env["PORT"] ?? 4173);
const say = (line: string): void => void process.stdout.write(`${line}\n`);

const openShop = openBeside(new URL("./shopThread.js", import.meta.url));
const app = makeApp({ pages, demo: process.env["TEMBRAK_DEMO"] === "1", openShop });
const { address } = await listen(app, wanted, (port) => say(`Port ${port} is busy, trying ${port + 1}.`));
say(`Tembrak is at ${address}`);
