import { describe, expect, it } from "@jest/globals";
import { InputError } from "@tembrak/core";
import { JobFailed } from "../compute/client.js";
import { failureWords } from "./failureWords.js";

describe("why something could not be worked out", () => {
  it("core's refusal is said by its code, in no unit at all", () => {
    const got = { code: "bath-hotter-than-steel", path: "/quench/bath_C", got: 900, allowed: "below 800" } as const;
    const refusal = new InputError({ ...got, message: "/quench/bath_C: the bath at 900 C is not colder than the steel at 800 C" });
    const said = failureWords(new JobFailed({ code: refusal.code, path: refusal.path, message: refusal.message }));
    expect(said).toBe("It could not be worked out: the bath is not colder than the steel that goes in.");
  });
  it("a worker that died, or a code of another time, is a failed computation", () => {
    expect(failureWords(new Error("out of memory"))).toContain("the computation failed");
    expect(failureWords(new JobFailed({ code: "toString", path: "", message: "/x: 900 C" }))).not.toContain("900");
  });
});
