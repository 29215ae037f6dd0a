import { expect, test } from "@jest/globals";
import { renderHook } from "@testing-library/react";
import { useWhole } from "./useWhole.js";

test("what is still coming in does not show before it is whole, nor does it take away what was", () => {
  const seen: string[] = [];
  const { rerender, result } = renderHook(
    ({ now, isWhole }) => {
      const whole = useWhole(now, isWhole);
      seen.push(whole);
      return whole;
    },
    { initialProps: { now: "none", isWhole: true } },
  );
  rerender({ now: "first of three", isWhole: false });
  rerender({ now: "two of three", isWhole: false });
  expect(result.current).toBe("none");
  rerender({ now: "three of three", isWhole: true });
  expect(result.current).toBe("three of three");
  rerender({ now: "one anew", isWhole: false });
  expect(result.current).toBe("three of three");
  expect(new Set(seen)).toEqual(new Set(["none", "three of three"]));
});
