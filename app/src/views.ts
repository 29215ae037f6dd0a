/** Every view of the application, once: where it is, whether the foot of the page leads there, and what of the made-up shop shows it. */

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
  /** Its name in the navigation; left out where only a link within leads there. */
  readonly nav?: string;
  readonly shown: readonly Shown[];
}

export const VIEWS = {
  rack: { path: "", nav: "Rack", shown: [{ as: "rack", at: "/", sign: /sickle/ }] },
  newPiece: { path: "new", shown: [{ as: "new piece", at: "/new", sign: /Plan its heats/ }] },
  card: { path: "piece/:id", shown: [{ as: "heat card", at: "/piece/demo-7", sign: /HRC/ }] },
  measure: { path: "piece/:id/measure", shown: [{ as: "measures", at: "/piece/demo-7/measure", sign: /Keep/ }] },
  bench: {
    path: "piece/:id/bench",
    shown: [
      { as: "bench, heating", at: "/piece/demo-4/bench", sign: /look for this/ },
      { as: "bench, temper", at: "/piece/demo-6/bench", sign: /left/ },
    ],
  },
  fileTest: { path: "piece/:id/test/:act", shown: [{ as: "file test", at: "/piece/demo-8/test/prove", sign: /predicted/ }] },
  why: { path: "piece/:id/why", shown: [{ as: "what now", at: "/piece/demo-9/why", sign: /Likeliest first/ }] },
  kit: { path: "kit", nav: "Kit", shown: [{ as: "kit", at: "/kit", sign: /Plans name nothing/ }] },
  bath: { path: "kit/:id", shown: [{ as: "bath", at: "/kit/demo-kit-3", sign: /The tank, cut through/ }] },
  book: { path: "book", nav: "Book", shown: [{ as: "book", at: "/book", sign: /Small billhook/ }] },
  record: { path: "book/:id", shown: [{ as: "record", at: "/book/demo-9", sign: /Everything that was done/ }] },
} as const satisfies Record<string, View>;

export type ViewName = keyof typeof VIEWS;

export const VIEW_LIST: readonly (View & { readonly name: ViewName })[] = (Object.keys(VIEWS) as ViewName[]).map((name) => ({
  name,
  ...VIEWS[name],
}));

/** What the foot of the page leads to, in order. */
export const NAVIGATION = VIEW_LIST.flatMap(({ name, nav, path }) => (nav === undefined ? [] : [{ name, nav, to: `/${path}` }]));

/** Which of those a place belongs to: what is under none of them hangs on the rack. */
export function placeIn(pathname: string): ViewName {
  return NAVIGATION.find(({ to }) => to !== "/" && (pathname === to || pathname.startsWith(`${to}/`)))?.name ?? "rack";
}
