/**
 * `npm run benchcold`: the first verdict of a cold page, in a fresh browser each time, at the machine's own speed and at a
 * quarter of it. Writes docs/bench-cold.md. Slowed by stopping every process of the browser for three quarters of the time.
 */

import { writePage } from "./page.js";
import { chromium } from "@playwright/test";
import { spawn } from "node:child_process";
import { cpus } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { CHROMIUM } from "../e2e/chromium.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const PORT = 43791;
const SITE = `http://127.0.0.1:${PORT}`;
const RUNS = Number(process.env["RUNS"] ?? 9);
/** Of every so many ms the browser runs a quarter. */
const PERIOD_ms = 100;

interface Cold {
  /** From the question until its answer was there. */
  readonly verdict_ms: number;
  /** From the start of the navigation until the verdict could be read. */
  readonly shown_ms: number;
  /** A plain loop on the page afterwards: how slow it really was. */
  readonly loop_ms: number;
}

/**
 * Stops and continues a process and all below it by turns, from a process of its own so that the measuring is not slowed. A page
 * may come to life in a process of its own: who belongs to the family is looked up four times a second. @returns an end to it.
 */
function slow(pid: number): () => void {
  const script = `const {execFile}=require("node:child_process");let pids=[${pid}];
    const look=()=>execFile("ps",["-e","-o","pid=,ppid="],(error,out)=>{if(error)return;
      const rows=out.trim().split("\\n").map((row)=>row.trim().split(/\\s+/).map(Number));const found=[${pid}];
      for(const parent of found)found.push(...rows.filter(([,of])=>of===parent).map(([id])=>id));pids=found;});
    const all=(s)=>{for(const p of pids)try{process.kill(p,s)}catch{}};
    process.on("SIGTERM",()=>{all("SIGCONT");process.exit(0)});
    look();setInterval(look,250);
    setInterval(()=>{all("SIGCONT");setTimeout(()=>all("SIGSTOP"),${PERIOD_ms / 4})},${PERIOD_ms});`;
  const child = spawn(process.execPath, ["-e", script], { stdio: "ignore" });
  return () => void child.kill("SIGTERM");
}

async function measure(isSlow: boolean): Promise<Cold> {
  const server = await chromium.launchServer({ ...CHROMIUM });
  const browser = await chromium.connect(server.wsEndpoint());
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto("about:blank");
    const end = isSlow ? slow(server.process().pid!) : () => undefined;
    try {
      await page.goto(`${SITE}/piece/demo-7`, { waitUntil: "commit" });
      await page.getByTestId("verdict").getByText(/HRC/).first().waitFor({ timeout: 120_000 });
      const [asked_ms, answered_ms] = await page.evaluate(() =>
        ["verdict asked", "verdict answered"].map((name) => performance.getEntriesByName(name)[0]!.startTime),
      );
      const loop_ms = await page.evaluate(() => {
        const from_ms = performance.now();
        let sum = 0;
        for (let i = 0; i < 1e8; i++) sum += i;
        return sum > 0 ? performance.now() - from_ms : NaN;
      });
      return { verdict_ms: answered_ms! - asked_ms!, shown_ms: answered_ms!, loop_ms };
    } finally {
      end();
    }
  } finally {
    await browser.close();
    await server.close();
  }
}

const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const server = spawn(process.execPath, ["server/dist/main.js"], {
  cwd: root,
  env: { ...process.env, PORT: String(PORT), TEMBRAK_DEMO: "1" },
  stdio: "ignore",
});
await new Promise((resolve) => setTimeout(resolve, 1500));
const rows: string[] = [];
try {
  for (const [name, isSlow] of [
    ["the machine's own speed", false],
    ["a quarter of it", true],
  ] as const) {
    const runs: Cold[] = [];
    for (let i = 0; i < RUNS; i++) runs.push(await measure(isSlow));
    const verdicts = runs.map((run) => run.verdict_ms);
    const row = `| ${name} | ${Math.round(median(verdicts))} | ${Math.round(Math.max(...verdicts))} | ${Math.round(median(runs.map((run) => run.shown_ms)))} | ${Math.round(median(runs.map((run) => run.loop_ms)))} |`;
    console.log(row);
    rows.push(row);
  }
} finally {
  server.kill();
}
writePage(
  "bench-cold.md",
  `# The first verdict of a cold page

\`npm run benchcold\`, on this machine (${cpus().length} cores, ${cpus()[0]!.model}), ${RUNS} fresh browsers each: nothing cached, nothing compiled, the made-up shop's billhook (a blade, its ensemble of
48 and the case as planned across the workers). A quarter of the speed: every process of the browser is stopped for three quarters of each ${PERIOD_ms} ms.

| at | question to answer, median, ms | slowest, ms | from the start of the navigation to the answer, median, ms | a plain loop on the page, median, ms |
| --- | ---: | ---: | ---: | ---: |
${rows.join("\n")}

Wanted: 650 ms and 2500 ms from question to answer. The last column tells how slow the slowed browser really was.
`,
);
process.exit(0);
