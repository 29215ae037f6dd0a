import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { CATALOGUE, planRoute, type Piece, type PieceState, type Route } from "@tembrak/core";
import type { ReactNode } from "react";
import { BenchPage } from "./bench/BenchPage.js";
import { BookPage } from "./book/BookPage.js";
import { RecordPage } from "./book/RecordPage.js";
import { CardPage } from "./card/CardPage.js";
import { FileTestPage } from "./fileTest/FileTestPage.js";
import { KitPage } from "./kit/KitPage.js";
import { RackPage } from "./rack/RackPage.js";
import { HAY_KNIFE, marked, show, standingAt } from "../testing.js";

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const oddBath: Route = { ...route, steps: route.steps.map((s) => (s.kind === "quench" ? marked(s, { medium: "whale-oil" }) : s)) };
const odd = (change: Partial<Piece>, of: Route = route, done = 3): PieceState =>
  standingAt({ ...HAY_KNIFE, ...change }, of, { done, id: "p" });
const sound = standingAt({ ...HAY_KNIFE, name: "Sound knife" }, route, { id: "q", done: 1 });

const ODD: readonly (readonly [string, PieceState])[] = [
  ["a steel nobody knows", odd({ steel: "unheard-of" })],
  ["a use nobody knows", odd({ use: "unheard-of" })],
  ["a form nobody knows", odd({ form: "unheard-of" })],
  ["a bath nobody knows", odd({}, oddBath, 12)],
  ["a steel nobody knows, in the oven", odd({ steel: "unheard-of" }, route, 13)],
  ["no plan", { ...odd({}), route: null, acts: [], next: undefined }],
];
const SCREENS: readonly (readonly [string, ReactNode, string, string])[] = [
  ["rack", <RackPage key="r" />, "/", "/"],
  ["book", <BookPage key="b" />, "/book", "/book"],
  ["kit", <KitPage key="k" />, "/kit", "/kit"],
  ["record", <RecordPage key="d" />, "/book/:id", "/book/p"],
  ["card", <CardPage key="c" />, "/piece/:id", "/piece/p"],
  ["bench", <BenchPage key="n" />, "/piece/:id/bench", "/piece/p/bench"],
  ["test", <FileTestPage key="t" />, "/piece/:id/test/:act", "/piece/p/test/prove"],
];

afterEach(cleanup);

describe.each(ODD)("%s closes no screen", (_, state) => {
  it.each(SCREENS)("%s", (name, screenOf, path, address) => {
    show(screenOf, { pieces: [state, sound], at: [path, address] });
    expect(screen.queryAllByRole("main").length).toBeGreaterThan(0);
    if (name === "rack" || name === "book") expect(screen.getAllByText(/Sound knife/).length).toBeGreaterThan(0);
  });
});

describe("one piece that cannot be drawn", () => {
  // A section that no schema lets in, as a fault of ours would make one.
  const broken = { ...odd({}), piece: { ...HAY_KNIFE, name: "Broken one", section: null as never } };
  it("leaves the rest of rack and book as they are, and is there by its name", () => {
    const quiet = jest.spyOn(console, "error").mockImplementation(() => undefined);
    for (const screenOf of [<BookPage key="b" />]) {
      show(screenOf, { pieces: [broken, sound] });
      expect(screen.getAllByText(/Sound knife/).length).toBeGreaterThan(0);
      expect(screen.getAllByText(/Broken one/).length).toBeGreaterThan(0);
      cleanup();
    }
    quiet.mockRestore();
  });
});
