import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute } from "@tembrak/core";
import { HAY_KNIFE, standingAt } from "../testing.js";
import { markProblem } from "./markWords.js";

const other = standingAt({ ...HAY_KNIFE, mark: "7" }, planRoute(CATALOGUE, HAY_KNIFE, "forge"));

describe("a mark that will not do", () => {
  it("none, one that scale eats, and one that another piece at work has", () => {
    expect(markProblem({ mark: " " }, [])).toMatch(/file notches/);
    expect(markProblem({ mark: "scribed line" }, [])).toMatch(/lost in scale/);
    expect(markProblem({ mark: "7" }, [other])).toMatch(/^Hay knife, at work, has this mark/);
  });
  it("one of its own will; so will that of a practice piece, of one that is done, and of the piece itself", () => {
    expect(markProblem({ mark: "8" }, [other])).toBeNull();
    expect(markProblem({ mark: "7", isPractice: true }, [other])).toBeNull();
    expect(markProblem({ mark: "7" }, [{ ...other, finishedAt_ms: 5 }])).toBeNull();
    expect(markProblem({ mark: "7" }, [other], other.id)).toBeNull();
  });
});
