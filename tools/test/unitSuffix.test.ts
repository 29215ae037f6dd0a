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
        "const error_K = read_C - true_C;",
        "f({ shift_K: item.offset_C });",
        "const f = (sd_C) => sd_C;",
      ],
      invalid: [
        { code: "const heat_C = piece.heat_F;", errors: 1 },
        { code: "const d = a_mm - b_m;", errors: 1 },
        { code: "f({ hold_s: wait_min });", errors: 1 },
        { code: "if (now_ms > start_s) {}", errors: 1 },
        { code: "const error_C = read_C - true_C;", errors: 1 },
        { code: "class A { scatter_C = 3; }", errors: 1 },
        { code: "const f = (shift_C = 0) => shift_C;", errors: 1 },
        { code: "f({ temperature_C: item.offset_C });", errors: 1 },
      ],
    });
  });
});
