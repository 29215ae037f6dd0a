import { describe, it } from "@jest/globals";
import { RuleTester } from "eslint";
import { unitSuffix } from "../unitSuffix.js";

describe("the unit-suffix lint rule", () => {
  it("lets like units meet and stops unlike ones", () => {
    const tester = new RuleTester({ languageOptions: { ecmaVersion: 2022, sourceType: "module" } });
    tester.run("unit-suffix", unitSuffix, {
      valid: [
        "const heat_C = piece.temperature_C;",
        "const d = a_mm - b_mm;",
        "const x_K = kelvin(y_C);",
        "f({ hold_s: wait_s });",
        "const next = heat_C + shift_K;",
        "const k = STEFAN_C - y_m;",
      ],
      invalid: [
        { code: "const heat_C = piece.heat_F;", errors: 1 },
        { code: "const d = a_mm - b_m;", errors: 1 },
        { code: "f({ hold_s: wait_min });", errors: 1 },
        { code: "if (now_ms > start_s) {}", errors: 1 },
      ],
    });
  });
});
