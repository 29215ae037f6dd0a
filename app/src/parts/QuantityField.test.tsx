import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { questionHeat } from "@tembrak/core";
import type { Units } from "../format/show.js";
import { LengthField, TemperatureField } from "./QuantityField.js";

afterEach(cleanup);

function Spine({ units }: { units: Units }) {
  const [value_mm, setValue] = useState(4);
  const [isBad, setBad] = useState(false);
  return (
    <>
      <LengthField
        label="Spine"
        role="thickness"
        value_mm={value_mm}
        units={units}
        least_mm={0.2}
        most_mm={100}
        onChange={setValue}
        onFault={setBad}
      />
      <output>{`${value_mm} ${isBad ? "bad" : "good"}`}</output>
    </>
  );
}

function Heat() {
  const [value_C, setValue] = useState(815);
  return (
    <>
      <TemperatureField
        label="Heat"
        value_C={value_C}
        units={{ temperature: "C", length: "mm" }}
        low_C={600}
        high_C={1200}
        question={(T, u) => questionHeat("harden", T, u)}
        onChange={setValue}
      />
      <output>{Math.round(value_C)}</output>
    </>
  );
}

const METRIC = { temperature: "C", length: "mm" } as const;
const said = (): string => screen.getByRole("status").textContent ?? "";

async function type(label: RegExp, text: string): Promise<void> {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.type(field, text);
}

describe("fields for what people type", () => {
  it("3/16 in a metric field is 4.7625 mm, and says so", async () => {
    render(<Spine units={METRIC} />);
    await type(/Spine/, "3/16");
    expect(said()).toBe("4.7625 good");
    expect(screen.getByText("That is 4.8 mm.")).toBeTruthy();
  });
  it("316 is asked about, not refused, and one press makes it 3/16 in", async () => {
    render(<Spine units={METRIC} />);
    await type(/Spine/, "316");
    expect(screen.getByText(/Did you mean 3\/16 in/)).toBeTruthy();
    expect(said()).toContain("bad");
    await userEvent.click(screen.getByRole("button", { name: "4.8 mm" }));
    expect(said()).toBe("4.7625 good");
  });
  it("nonsense is told beside the field and the last good value stays", async () => {
    render(<Spine units={METRIC} />);
    await type(/Spine/, "thick");
    expect(screen.getByText(/is not a length/)).toBeTruthy();
    expect(said()).toBe("4 bad");
  });
  it("switching units there and back leaves the number as it was typed", async () => {
    const { rerender } = render(<Spine units={METRIC} />);
    await type(/Spine/, "4.8");
    rerender(<Spine units={{ temperature: "F", length: "in" }} />);
    expect(screen.getByLabelText<HTMLInputElement>(/Spine/).value).toBe("0.189");
    rerender(<Spine units={METRIC} />);
    expect(screen.getByLabelText<HTMLInputElement>(/Spine/).value).toBe("4.8");
    expect(said()).toBe("4.8 good");
  });
  it("a 475 C hardening heat becomes 1475 F at one press", async () => {
    render(<Heat />);
    await type(/Heat/, "475");
    await userEvent.click(screen.getByRole("button", { name: "802 °C" }));
    expect(said()).toBe("802");
  });
});
