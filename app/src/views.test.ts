import { describe, expect, it } from "@jest/globals";
import { NAVIGATION, placeIn, VIEW_LIST } from "./views.js";

describe("the table of views", () => {
  it("each has its own address and its own name for what shows it, and is shown", () => {
    const names = VIEW_LIST.flatMap(({ shown }) => shown.map(({ as }) => as));
    expect(new Set(names).size).toBe(names.length);
    expect(new Set(VIEW_LIST.map(({ path }) => path)).size).toBe(VIEW_LIST.length);
    expect(VIEW_LIST.filter(({ shown }) => shown.length === 0)).toEqual([]);
  });
  it("what shows a view is an address of it", () => {
    for (const { path, shown } of VIEW_LIST) {
      const pattern = new RegExp(`^/${path.replace(/:\w+/g, "[^/]+")}$`);
      for (const { at } of shown) expect(at).toMatch(pattern);
    }
  });
  it("a place belongs to the nearest name at the foot: a piece hangs on the rack, a record is in the book", () => {
    expect(NAVIGATION.map(({ nav }) => nav)).toEqual(["Rack", "Kit", "Book"]);
    expect(["/", "/new", "/piece/x/bench", "/book", "/book/x", "/kit", "/bookish"].map(placeIn)).toEqual([
      "rack",
      "rack",
      "rack",
      "book",
      "book",
      "kit",
      "rack",
    ]);
  });
});
