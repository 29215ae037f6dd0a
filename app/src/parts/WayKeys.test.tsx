import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { drawsFor, hardensFor, type Section, type Way } from "@tembrak/core";
import { useState } from "react";
import { show } from "../testing.js";
import { WayKeys, wayWithin } from "./WayKeys.js";

const BLADE: Section = { shape: "wedge", spine_mm: 5, edge_mm: 1, height_mm: 40 };
const BAR: Section = { shape: "round", diameter_mm: 16 };

afterEach(cleanup);

function Choosing({ section, isPractice = false }: { section: Section; isPractice?: boolean }) {
  const [way, setWay] = useState<Way>({ hardens: "whole", draws: "oven" });
  return (
    <>
      <WayKeys section={section} way={way} note="does" className="keys" isPractice={isPractice} onPick={setWay} />
      <output>{`${way.hardens} ${way.draws}`}</output>
    </>
  );
}
const chosen = (): string => screen.getByRole("status").textContent;
const pick = (name: RegExp): Promise<void> => userEvent.click(screen.getByRole("radio", { name }));

describe("two questions: what is hard, and what draws it", () => {
  it("a blade is offered its edge and no ends, a bar its ends and no edge", () => {
    show(<Choosing section={BLADE} />);
    expect(screen.queryByRole("radio", { name: /^Edge only/ })).toBeTruthy();
    expect(screen.queryByRole("radio", { name: /^Two ends/ })).toBeNull();
    cleanup();
    show(<Choosing section={BAR} />);
    expect(screen.queryByRole("radio", { name: /^Edge only/ })).toBeNull();
    expect(screen.queryByRole("radio", { name: /^Two ends/ })).toBeTruthy();
  });
  it("an edge quench with a colour run, and its own heat only where a body stays out of the bath", async () => {
    show(<Choosing section={BLADE} />);
    expect(screen.queryByRole("radio", { name: /^Its own heat/ })).toBeNull();
    await pick(/^Edge only/);
    await pick(/^Its own heat/);
    expect(chosen()).toBe("edge residual");
    await pick(/on a hot bar/);
    expect(chosen()).toBe("edge hot-bar");
    expect(screen.getByRole<HTMLInputElement>("radio", { name: /on a hot bar/ }).checked).toBe(true);
  });
  it("what another choice rules out goes back to what is usual, the rest stays", async () => {
    show(<Choosing section={BAR} />);
    await pick(/^One end or face/);
    await pick(/^Its own heat/);
    await pick(/^All of it/);
    expect(chosen()).toBe("whole oven");
    await pick(/with a torch/);
    await pick(/^One end or face/);
    expect(chosen()).toBe("face torch");
    await pick(/^Two ends/);
    expect(chosen()).toBe("ends oven");
  });
  it("the simulated shop hardens all of it and draws it in its oven", () => {
    show(<Choosing section={BAR} isPractice />);
    const open = screen.getAllByRole("radio").filter((key) => !(key as HTMLButtonElement).disabled);
    expect(open.map((key) => key.closest("label")?.textContent)).toEqual([
      expect.stringMatching(/^All of it/),
      expect.stringMatching(/^Oven/),
    ]);
  });
  it("the nearest to a way is one the shape has, and itself where it has it", () => {
    for (const section of [BLADE, BAR]) {
      for (const hardens of ["whole", "edge", "face", "ends"] as const) {
        for (const draws of ["oven", "torch", "hot-bar", "residual"] as const) {
          const way = wayWithin(section, { hardens, draws });
          expect(hardensFor(section)).toContain(way.hardens);
          expect(drawsFor(way.hardens)).toContain(way.draws);
          if (hardensFor(section).includes(hardens) && drawsFor(hardens).includes(draws)) expect(way).toEqual({ hardens, draws });
        }
      }
    }
  });
});
