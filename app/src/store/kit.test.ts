import { afterEach, describe, expect, it } from "@jest/globals";
import { readBook, writeBook } from "@tembrak/core";
import { mergeBook, readKit, removeKitItem, replaceBook, store, writeKitItems } from "./db.js";
import { demoKit } from "./demoBook.js";

afterEach(async () => {
  await store.kit.clear();
  await store.events.clear();
});

describe("the kit in the store", () => {
  it("null until something is said; an item that does not fit is refused and nothing is kept of it", async () => {
    expect(await readKit()).toBeNull();
    await expect(writeKitItems([{ id: "x", kind: "stick", name: "Stick", rated_C: 9000 }])).rejects.toThrow("/rated_C");
    expect(await readKit()).toBeNull();
  });
  it("goes out with the book and comes back the same, in an empty browser", async () => {
    const kit = demoKit();
    const book = readBook(writeBook([], 5, kit));
    await replaceBook(book.events, { kit: book.kit ?? [] });
    const back = (await readKit())!;
    expect([...back].sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual([...kit].sort((a, b) => (a.id < b.id ? -1 : 1)));
  });
  it("bringing in a book adds what is new and leaves the shop's own items as they are", async () => {
    const [first, second] = demoKit();
    await writeKitItems([{ ...first!, name: "Ours" }]);
    await mergeBook([], [first!, second!]);
    const names = (await readKit())!.map(({ name }) => name);
    expect(names).toContain("Ours");
    expect(names).toHaveLength(2);
    await removeKitItem(first!.id);
    expect((await readKit())!.map(({ id }) => id)).toEqual([second!.id]);
  });
});
