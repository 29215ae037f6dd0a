import { describe, expect, it } from "@jest/globals";
import { matchRoutes } from "react-router";
import { idIn, toBath, toPiece, toRecord } from "./address.js";

describe("the address of a piece", () => {
  it.each(["demo-1", "a/b", "..", ".", "%2e", "%", "~", "~..", "a?b#c", " ", "ä", ".hidden"])(
    "of %p comes back as it went, through a browser and the router",
    (id) => {
      const back = (path: string, address: string): string => {
        const { pathname } = new URL(address, "http://127.0.0.1");
        return idIn(matchRoutes([{ path }], pathname)?.[0]?.params.id ?? "lost");
      };
      expect(back("/piece/:id/bench", toPiece(id, "bench"))).toBe(id);
      expect(back("/book/:id", toRecord(id))).toBe(id);
      expect(back("/kit/:id", toBath(id))).toBe(id);
    },
  );
});
