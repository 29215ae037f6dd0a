/** For tests only: a shop around a component, its book, its kit and its log as they are wanted. */

import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import {
  actsOfRoute,
  edgeDepth_mm,
  endUnder,
  intoOf,
  migrateEvent,
  pieceState,
  type BookEvent,
  type Check,
  type Kit,
  type Piece,
  type PieceState,
  type Quench,
  type Route,
} from "@tembrak/core";
import type { ReactNode } from "react";
import { MemoryRouter, Route as Path, Routes, useLocation } from "react-router";
import { DEFAULT_SETTINGS, type NewEvent, type Settings } from "./store/db.js";
import { LogContext } from "./store/LogProvider.js";
import { ShopData } from "./store/ShopProvider.js";

/** Pieces that many tests work on. */
export const HAY_KNIFE: Piece = {
  name: "Hay knife",
  mark: "4",
  kind: "knife",
  form: "hay-knife",
  steel: "1084",
  start: "as-forged",
  use: "slicer",
  length_mm: 420,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 50 },
};
export const BILLHOOK: Piece = {
  name: "Billhook",
  mark: "7",
  kind: "hook",
  form: "billhook",
  steel: "1075",
  start: "as-forged",
  use: "sickle",
  length_mm: 376,
  section: { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 },
};
export const FROE: Piece = {
  name: "Froe",
  mark: "3",
  kind: "froe",
  form: "froe",
  steel: "1084",
  start: "as-forged",
  use: "froe",
  length_mm: 300,
  section: { shape: "wedge", spine_mm: 8, edge_mm: 2, height_mm: 60 },
};

export const HAMMER: Piece = {
  name: "Stake hammer",
  mark: "2",
  kind: "hammer",
  steel: "1045",
  start: "as-forged",
  use: "hammer-face",
  length_mm: 110,
  section: { shape: "square", side_mm: 30 },
};

export const START_ms = Date.UTC(2026, 10, 25, 9);

interface Told {
  readonly checks?: readonly (readonly [after_s: number, reading: Check])[];
  /** How many acts are done: a hold or a temper took what was planned, every other a second. */
  readonly done?: number;
  readonly id?: string;
}

/** A piece on its route with so many acts done and these checks made in the one that is next. */
export function standingAt(piece: Piece, route: Route, { checks = [], done = 0, id = "p" }: Told = {}): PieceState {
  const acts = actsOfRoute(route);
  const events: BookEvent[] = [
    { id: `${id}-a`, piece: id, at_ms: START_ms - 9e8, kind: "piece", definition: piece },
    { id: `${id}-b`, piece: id, at_ms: START_ms - 8e8, kind: "route", route },
    ...acts.slice(0, done).map((act, i): BookEvent => ({
      id: `${id}-d${i}`,
      piece: id,
      at_ms: START_ms - acts.slice(i + 1, done).reduce((sum, later) => sum + ("hold_s" in later ? 1000 * later.hold_s : 1000), 0),
      kind: "act-done",
      act: act.id,
    })),
    ...checks.map(([after_s, reading], i): BookEvent => ({
      id: `${id}-c${i}`,
      piece: id,
      at_ms: START_ms + 1000 * after_s,
      kind: "check",
      act: acts[done]!.id,
      reading,
    })),
  ];
  return pieceState(id, events)!;
}

interface Shop {
  readonly settings?: Partial<Settings>;
  readonly kit?: Kit | null;
  readonly pieces?: readonly PieceState[];
  readonly unreadable?: readonly unknown[];
  /** Whether what is written gets stored. */
  readonly stores?: boolean;
  /** The path it stands at, and the address it is asked by: `["/book/:id", "/book/p"]`. */
  readonly at?: readonly [path: string, address: string];
}

/** Where a screen went to. */
function Address() {
  return <p data-testid="address">{useLocation().pathname}</p>;
}

/** Draws it; `written` is what went to the log. */
export function show(
  screenOf: ReactNode,
  { settings, kit = null, pieces = [], unreadable = [], stores = true, at = ["*", "/"] }: Shop = {},
) {
  const written: { piece: string; events: readonly NewEvent[] }[] = [];
  const write = (piece: string, events: readonly NewEvent[]): Promise<boolean> => {
    if (stores) written.push({ piece, events });
    return Promise.resolve(stores);
  };
  const keep = (store: () => Promise<unknown>): Promise<boolean> => (stores ? store().then(() => true) : Promise.resolve(false));
  const drawn = render(
    <QueryClientProvider client={new QueryClient()}>
      <ShopData value={{ settings: { ...DEFAULT_SETTINGS, ...settings }, kit, book: { pieces, unreadable, baths: new Map() } }}>
        <LogContext value={{ write, keep, refusal: null, dismiss: () => undefined }}>
          <MemoryRouter initialEntries={[at[1]]}>
            <Routes>
              <Path path={at[0]} element={screenOf} />
              <Path path="*" element={<Address />} />
            </Routes>
          </MemoryRouter>
        </LogContext>
      </ShopData>
    </QueryClientProvider>,
  );
  return { ...drawn, written };
}

/** A quench said shortly, one bath and marks beside it, as the list of dips it is by the road from version 16. */
export function bathed(marks: object): Quench {
  const short = { kind: "quench", medium: "fast-oil", bath_C: 55, agitation: "mild", why: "warm-oil", ...marks };
  return (migrateEvent({ kind: "route", route: { steps: [short] } }, 16) as { route: { steps: [Quench] } }).route.steps[0];
}

/** A quench of one dip with these marks beside its own. */
export function marked({ dips, ...own }: Quench, marks: object): Quench {
  const { medium, bath_C, agitation } = intoOf({ dips });
  const [part, edge_mm] = [endUnder({ dips }) ?? undefined, edgeDepth_mm({ dips })];
  return bathed({ medium, bath_C, agitation, part, edgeDepth_mm: edge_mm, ...own, ...marks });
}
