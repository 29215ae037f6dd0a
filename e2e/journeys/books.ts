/** Books with a piece that has come to an act, for journeys that begin in the middle of the work. */

import type { Page } from "@playwright/test";
import { writeFileSync } from "node:fs";
import { actsOfRoute, CATALOGUE, planRoute, writeBook, type Act, type BookEvent, type Piece, type Route } from "../../core/src/index.js";
import { EMPTY } from "../ports.js";
import { expect } from "./shop.js";
import { open, timeOn } from "./standing.js";

export const SICKLE: Piece = {
  name: "Reed sickle",
  mark: "4",
  kind: "hook",
  form: "sickle",
  steel: "1084",
  start: "as-forged",
  use: "sickle",
  length_mm: 300,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 30 },
};

/** A piece that has come to an act, so many seconds after it went under. */
export interface AtAct {
  readonly id?: string;
  readonly piece: Piece;
  readonly kind: Act["kind"];
  readonly under_s: number;
  readonly out_s?: number;
  readonly route?: Route;
}

function eventsAt({ id = "hand", piece, kind, under_s, out_s = 12, route = planRoute(CATALOGUE, piece, "forge") }: AtAct, now_ms: number) {
  const acts = actsOfRoute(route);
  const at = acts.findIndex((act) => act.kind === kind);
  const events: BookEvent[] = [];
  const add = (ago_s: number, event: object): void =>
    void events.push({ id: `${id}-${events.length}`, piece: id, at_ms: Math.round(now_ms - 1000 * ago_s), ...event } as BookEvent);
  add(9000, { kind: "piece", definition: piece });
  add(8999, { kind: "route", route });
  const quench = acts.findIndex((act) => act.kind === "quench");
  acts.slice(0, at).forEach((act, i) => {
    if (i !== quench) return add(i < quench ? 8000 - 10 * i : under_s - out_s - i, { kind: "act-done", act: act.id });
    add(under_s, { kind: "check", act: act.id, reading: { check: "bath", state: "in" } });
    add(under_s - out_s, { kind: "check", act: act.id, reading: { check: "bath", state: "out" } });
    add(under_s - out_s, { kind: "act-done", act: act.id });
  });
  return events;
}

/** A book with several pieces, each at an act of its own. */
export function shopAt(pieces: readonly AtAct[], kit: readonly object[] | null = null): string {
  const now_ms = Date.now();
  const items = kit?.map((item, i) => ({ ...item, id: `k${i}` })) ?? null;
  return writeBook(
    pieces.flatMap((piece) => eventsAt(piece, now_ms)).sort((a, b) => a.at_ms - b.at_ms),
    now_ms,
    items as Parameters<typeof writeBook>[2],
  );
}

/** A book with a piece that has come to an act, so many seconds after it went under. */
export function bookAt(
  piece: Piece,
  kind: Act["kind"],
  under_s: number,
  kit: readonly object[] | null = null,
  out_s = 12,
  route: Route = planRoute(CATALOGUE, piece, "forge"),
): string {
  return shopAt([{ piece, kind, under_s, out_s, route }], kit);
}

/** The same book by a clock that is ahead by so much. */
function onTheClock(text: string, ahead_ms: number): string {
  return text.replace(
    /"(at|exportedAt)_ms": (\d+)/g,
    (_, name: string, ms: string) => `"${name}_ms": ${Number(ms) + Math.round(ahead_ms)}`,
  );
}

export async function bringIn(page: Page, file: string, text: string, name = SICKLE.name): Promise<void> {
  await open(page, `${EMPTY}/book`);
  await expect(page.getByText("Empty.")).toBeVisible();
  writeFileSync(file, onTheClock(text, (await timeOn(page)) - Date.now()));
  await page.getByLabel("Book file").setInputFiles(file);
  await expect(page.getByRole("link", { name: new RegExp(`^${name}`) })).toBeVisible();
}
