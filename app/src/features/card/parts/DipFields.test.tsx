import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { byTurns, type Piece, type Quench } from "@tembrak/core";
import { DEFAULT_SETTINGS } from "../../../store/db.js";
import { bathed, HAY_KNIFE } from "../../../testing.js";
import { DipFields } from "./DipFields.js";

afterEach(cleanup);

const BAR: Piece = {
  ...HAY_KNIFE,
  kind: "chisel",
  form: "chisel",
  use: "chisel",
  length_mm: 550,
  section: { shape: "round", diameter_mm: 20 },
};
const OIL = { medium: "fast-oil", bath_C: 55, agitation: "mild" } as const;

function shown(step: Quench, piece: Piece = BAR): Quench[] {
  const changed: Quench[] = [];
  const props = { isLocked: false, units: DEFAULT_SETTINGS, onFault: () => undefined };
  render(<DipFields {...props} step={step} piece={piece} onChange={(to) => void changed.push(to)} />);
  return changed;
}
async function type(label: string, text: string): Promise<void> {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.click(field);
  await userEvent.paste(text);
  await userEvent.tab();
}

describe("the numbers of a quench of more moves than one", () => {
  it("two ends by turns have a depth each, and what is never in the bath between them is said", async () => {
    const said = { end: "working", depth_mm: 40, first_s: 8, otherDepth_mm: 24, second_s: 6 } as const;
    const changed = shown({ ...bathed({}), dips: byTurns(OIL, said) });
    expect(screen.getByText("Between them 486 mm never go into the bath: as soft as air leaves it.")).toBeTruthy();
    await type("Second, deep, mm", "60");
    expect(changed.at(-1)!.dips).toEqual(byTurns(OIL, { ...said, otherDepth_mm: 60 }));
  });
  it("two ends in two baths keep each its own", async () => {
    const water = { medium: "water", bath_C: 25, agitation: "mild" } as const;
    const changed = shown({
      ...bathed({}),
      dips: [
        { under: "end", depth_mm: 40, into: water, until: { is: "seconds", s: 6 } },
        { under: "other-end", depth_mm: 30, into: OIL, until: { is: "cold" } },
      ],
    });
    // Left in until it is cold it has no seconds.
    expect(screen.queryByLabelText("Second end, s")).toBeNull();
    await type("First end, s", "9");
    expect(changed.at(-1)!.dips.map(({ into }) => into.medium)).toEqual(["water", "fast-oil"]);
    expect(changed.at(-1)!.dips[0]).toMatchObject({ until: { s: 9 } });
  });
  it("one end alone has its depth, and every dip that is timed its seconds by what comes after it", async () => {
    const changed = shown(bathed({ part: { end: "working", depth_mm: 30 }, bath_s: 12 }));
    await type("Depth, mm", "45");
    expect(changed.at(-1)!.dips).toMatchObject([{ under: "end", depth_mm: 45, until: { s: 12 } }]);
    cleanup();
    shown(bathed({ edgeDepth_mm: 15, then: { after_s: 30 }, bath_s: 20 }), HAY_KNIFE);
    expect([screen.getByLabelText("Back under after, s"), screen.getByLabelText("Out after, s")]).toHaveLength(2);
  });
});
