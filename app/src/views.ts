/** Every view of the application, once: where it is, whether the foot of the page leads there, and what of the made-up shop shows it. */

import { matchPath } from "react-router";
import { idIn } from "./format/address.js";

export interface Shown {
  /** Unlike any other: accessibility checks and pictures go by it. */
  readonly as: string;
  readonly at: string;
  /** Words that stand there once it is drawn. */
  readonly sign: RegExp;
}

export interface View {
  /** As the router has it, under "/". */
  readonly path: string;
  /** What it is, in the name of the tab: of a piece, after the name of that. */
  readonly title: string;
  /** Its name in the navigation; left out where only a link within leads there. */
  readonly nav?: string;
  readonly shown: readonly Shown[];
}

export const VIEWS = {
  rack: { path: "", title: "Rack", nav: "Rack", shown: [{ as: "rack", at: "/", sign: /sickle/ }] },
  newPiece: { path: "new", title: "New piece", shown: [{ as: "new piece", at: "/new", sign: /Plan its heats/ }] },
  card: { path: "piece/:id", title: "heat card", shown: [{ as: "heat card", at: "/piece/demo-7", sign: /HRC/ }] },
  ways: {
    path: "piece/:id/ways",
    title: "ways",
    shown: [{ as: "ways", at: "/piece/demo-2/ways", sign: /What would be worth knowing/ }],
  },
  measure: { path: "piece/:id/measure", title: "measures", shown: [{ as: "measures", at: "/piece/demo-7/measure", sign: /Keep/ }] },
  bench: {
    path: "piece/:id/bench",
    title: "bench",
    shown: [
      { as: "bench, heating", at: "/piece/demo-4/bench", sign: /look for this/ },
      { as: "bench, temper", at: "/piece/demo-6/bench", sign: /left/ },
    ],
  },
  fileTest: {
    path: "piece/:id/test/:act",
    title: "file test",
    shown: [{ as: "file test", at: "/piece/demo-8/test/prove", sign: /predicted/ }],
  },
  why: { path: "piece/:id/why", title: "why", shown: [{ as: "what now", at: "/piece/demo-9/why", sign: /Likeliest first/ }] },
  kit: { path: "kit", title: "Kit", nav: "Kit", shown: [{ as: "kit", at: "/kit", sign: /Plans name nothing/ }] },
  bath: { path: "kit/:id", title: "Bath", shown: [{ as: "bath", at: "/kit/demo-kit-3", sign: /The tank, cut through/ }] },
  book: { path: "book", title: "Book", nav: "Book", shown: [{ as: "book", at: "/book", sign: /Small billhook/ }] },
  record: { path: "book/:id", title: "record", shown: [{ as: "record", at: "/book/demo-9", sign: /Everything that was done/ }] },
} as const satisfies Record<string, View>;

export type ViewName = keyof typeof VIEWS;

export const VIEW_LIST: readonly (View & { readonly name: ViewName })[] = (Object.keys(VIEWS) as ViewName[]).map((name) => ({
  name,
  ...VIEWS[name],
}));

/** What the foot of the page leads to, in order. */
export const NAVIGATION = VIEW_LIST.flatMap(({ name, nav, path }) => (nav === undefined ? [] : [{ name, nav, to: `/${path}` }]));

/** What no browser wrote is left as it is. */
function decoded(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    return part;
  }
}

/** The view at a place, and the piece it is of; null where there is none. */
export function viewAt(pathname: string): { readonly name: ViewName; readonly title: string; readonly id: string | undefined } | null {
  for (const { name, title, path } of VIEW_LIST) {
    const found = matchPath({ path: `/${path}`, end: true }, pathname);
    const part = (found?.params as { readonly id?: string } | undefined)?.id;
    if (found !== null) return { name, title, id: part === undefined ? undefined : idIn(decoded(part)) };
  }
  return null;
}

/** Which of those a place belongs to: what is under none of them hangs on the rack. */
export function placeIn(pathname: string): ViewName {
  return NAVIGATION.find(({ to }) => to !== "/" && (pathname === to || pathname.startsWith(`${to}/`)))?.name ?? "rack";
}
