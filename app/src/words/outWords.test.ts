import { describe, expect, it } from "@jest/globals";
import type { OutAt, OutWay } from "@tembrak/core";
import { outWords } from "./outWords.js";
import { correctedWords, tapKeys, tapWords } from "./tapWords.js";

const way = (at_s: number, to_s: number | null, costs_HRC = 0, costsSlow_HRC = costs_HRC): OutWay => ({
  at_s,
  costs_HRC,
  costsSlow_HRC,
  window: to_s === null ? null : { from_s: at_s, to_s, end: { p05_s: at_s, p50_s: to_s, p95_s: to_s, ends_s: [to_s] }, edge: null },
});

describe("what a second out of the bath buys and costs", () => {
  it("the best one, one sooner and what it costs, one later and what it leaves", () => {
    const best = way(12, 92);
    const all: OutAt = { best, ways: [way(8, 140, 0.2, 1.6), best, way(16, 31)] };
    expect(outWords(all)).toBe(
      "Out at 12 s: as hard, about 80 s to straighten. At 8 s one in twenty up to 2 HRC softer; at 16 s about 15 s to straighten.",
    );
    expect(outWords({ best, ways: [way(8, 140, 3.2), best] })).toMatch(/At 8 s 4 HRC softer\.$/);
  });
  it("what hardly ever shuts is bent at leisure", () => {
    const best = way(6, null);
    expect(outWords({ best, ways: [best] })).toBe("Out at 6 s: as hard, as long as you like to straighten.");
  });
});

describe("a tap that may have come late", () => {
  it("is asked in one line, with both answers as keys", () => {
    expect(tapWords({ tapped_s: 17.2, usual_s: 1.5 })).toBe("17 s from the fire to the bath, where 1.5 is usual: really, or tapped late?");
    expect(tapKeys({ tapped_s: 17.2 })).toEqual({ really: "Really 17 s", late: "Tapped late" });
  });
  it("and its answer stands in the record", () => {
    const true_ms = new Date(2026, 10, 25, 10, 41, 7).getTime();
    const said = (why: "as-tapped" | "tapped-late" | "remembered") =>
      correctedWords({ kind: "corrected", event: "e", true_ms, why } as never);
    expect(said("tapped-late")).toMatch(/^it was at 10:41(:07)?, tapped late$/);
    expect(said("as-tapped")).toMatch(/^10:41(:07)?: so it was, as tapped$/);
  });
});
