import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { CurveSlide } from "./CurveSlide.js";

afterEach(cleanup);

const POINTS = [
  { x: 150, y: 63 },
  { x: 250, y: 58 },
  { x: 450, y: 44 },
];

function slide(value: number, onChange: (x: number) => void = () => undefined) {
  render(
    <CurveSlide
      label="Temper"
      points={POINTS}
      value={value}
      planned={200}
      step={5}
      band={1.5}
      show={(x) => `${x}°`}
      result="60.1"
      difference="edge, +1.0"
      onChange={onChange}
    />,
  );
  return screen.getByRole<HTMLInputElement>("slider", { name: /Temper/ });
}

describe("a slide whose track is the answer", () => {
  it("says its value and its result to whoever cannot see the curve", () => {
    const input = slide(200);
    expect(input.getAttribute("aria-valuetext")).toBe("200°: 60.1");
    expect([input.min, input.max, input.value]).toEqual(["150", "450", "200"]);
    expect(screen.getByText("edge, +1.0")).toBeTruthy();
  });
  it("tells every move", () => {
    const moves: number[] = [];
    fireEvent.change(
      slide(200, (x) => moves.push(x)),
      { target: { value: "255" } },
    );
    expect(moves).toEqual([255]);
  });
  it("the handle rides on the curve: lower where the steel is softer", () => {
    const height = (value: number): number => {
      cleanup();
      slide(value);
      return Number(document.querySelector(".cs-handle")!.getAttribute("cy"));
    };
    expect(height(150)).toBeLessThan(height(250));
    expect(height(250)).toBeLessThan(height(450));
  });
  it("with no curve yet it draws nothing rather than a wrong one", () => {
    const { container } = render(
      <CurveSlide
        label="Heat"
        points={[]}
        value={1}
        planned={1}
        step={1}
        band={1}
        show={String}
        result=""
        difference=""
        onChange={() => undefined}
      />,
    );
    expect(container.innerHTML).toBe("");
  });
});
