import { afterEach, beforeEach, expect, it, jest } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { actsOfRoute, CATALOGUE, planRoute, type PieceState } from "@tembrak/core";
import { HAY_KNIFE, show, standingAt, START_ms } from "../testing.js";
import { PieceClockContext } from "../store/pieceClock.js";
import { useQuestion } from "./useAnswers.js";

function Hold({ state, isWanted = true }: { state: PieceState; isWanted?: boolean }) {
  const temper = useQuestion(state, isWanted)?.route.steps.find(({ kind }) => kind === "temper");
  return <p data-testid="hold">{temper?.kind === "temper" ? temper.hold_min : "not asked"}</p>;
}

beforeEach(() => {
  jest.spyOn(Date, "now").mockReturnValue(START_ms + 5 * 86_400_000);
});
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const done = actsOfRoute(route).findIndex(({ kind }) => kind === "temper");
const planned = route.steps.find(({ kind }) => kind === "temper")!;
const held = (state: PieceState): number => {
  show(<Hold state={state} />);
  const shown = Number(screen.getByTestId("hold").textContent);
  cleanup();
  return shown;
};

it("what has been in its oven for days is told so; a practice piece lives by its own clock, and what nobody wants is not asked", () => {
  const planned_min = planned.kind === "temper" ? planned.hold_min : NaN;
  expect(held(standingAt(HAY_KNIFE, route, { done }))).toBeGreaterThan(5 * planned_min);
  expect(held(standingAt({ ...HAY_KNIFE, isPractice: true }, route, { done }))).toBe(planned_min);
  show(<Hold state={standingAt(HAY_KNIFE, route, { done })} isWanted={false} />);
  expect(screen.getByTestId("hold").textContent).toBe("not asked");
});

it("where its shop is open, a practice piece lives by that shop's clock, and no other piece does", () => {
  const planned_min = planned.kind === "temper" ? planned.hold_min : NaN;
  const practice = standingAt({ ...HAY_KNIFE, isPractice: true }, route, { done });
  const inShop = (id: string): number => {
    const clock = { id, now: () => practice.nextSince_ms! + 3 * planned_min * 60_000 };
    show(
      <PieceClockContext value={clock}>
        <Hold state={practice} />
      </PieceClockContext>,
    );
    const shown = Number(screen.getByTestId("hold").textContent);
    cleanup();
    return shown;
  };
  expect(inShop(practice.id)).toBeCloseTo(3 * planned_min, 6);
  expect(inShop("another")).toBe(planned_min);
});
