import { existsSync } from "node:fs";

/** Debian's Chromium as every run of ours starts it. */
export const CHROMIUM = {
  executablePath: "/usr/bin/chromium",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
  ],
};

const SHELL = "/usr/bin/chromium-headless-shell";

/** The same engine without a browser's window about it: a cold page takes half the processor time. Where it is missing, the whole. */
export const CHROMIUM_SHELL = { ...CHROMIUM, executablePath: existsSync(SHELL) ? SHELL : CHROMIUM.executablePath };
