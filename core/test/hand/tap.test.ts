import { describe, expect, it } from "@jest/globals";
import { ASKED_FROM, chanceLate } from "../../src/hand/tap.js";
import { normalQuantile } from "../../src/numerics/normal.js";
import { uniforms } from "../../src/numerics/sampling.js";

const HABIT = { usual_s: 1.5, sd_ln: 0.3 };

describe("a tap that came late", () => {
  it("seventeen seconds on a way of one and a half are tapped late; two and a half are not", () => {
    expect(chanceLate(17, HABIT)).toBeGreaterThan(0.97);
    expect(chanceLate(2.5, HABIT)).toBeLessThan(0.1);
    expect(chanceLate(1.2, HABIT)).toBe(0);
  });
  it("rises with the seconds", () => {
    let before = 0;
    for (let t = 2; t < 40; t += 0.5) {
      const now = chanceLate(t, HABIT);
      if (t > 6) expect(now).toBeGreaterThanOrEqual(before - 1e-9);
      before = now;
    }
  });
  // Late taps: exponential delays cut to 3 ... 30 s, as a shop has them; true ones by habit, one in twenty a long way up to 8 s.
  it("of made-up taps nine in ten late ones are asked about, and no more than one in thirty true ones", () => {
    const draw = uniforms(7);
    const normal = (): number => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, draw())));
    let [late, asked, really, falsely] = [0, 0, 0, 0];
    for (let i = 0; i < 4000; i++) {
      const true_s = draw() < 1 / 20 ? 2 + 6 * draw() : 1.5 * Math.exp(0.3 * normal());
      if (i % 4 === 0) {
        late++;
        const tapped_s = true_s + 3 + 27 * draw();
        if (chanceLate(tapped_s, HABIT) > ASKED_FROM) asked++;
      } else {
        really++;
        if (chanceLate(true_s, HABIT) > ASKED_FROM) falsely++;
      }
    }
    expect(asked / late).toBeGreaterThan(0.9);
    expect(falsely / really).toBeLessThan(1 / 30);
  });
});
