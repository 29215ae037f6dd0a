/** `npm run parts`: bevelled ends against finite elements, the mouth of a fire against a scheme of its own, blades with tips against their places alone. Writes docs/parts.md. */

import { writePage } from "./page.js";
import type { Piece } from "../core/src/index.js";
import { alongMouth } from "../core/src/simulate/mouth.js";
import { BEVEL_CASES, compareBevel } from "../core/test/simulate/bevels.js";
import { explicitBar } from "../core/test/simulate/explicitBar.js";
import { partTold } from "../core/test/simulate/madeUpParts.js";

const PIECES = Number(process.argv[2] ?? 100);
/** Others than the tests looked at. */
const FIRST_SEED = 600_000;

const bevels = BEVEL_CASES.flatMap((one) =>
  one.at.map(([up_mm]) => {
    const off = compareBevel(one)
      .filter((row) => row.up_mm === up_mm)
      .map(({ model_C, elements_C }) => model_C - elements_C);
    return `| ${one.name} | ${up_mm} | ${one.times_s.join(", ")} | ${Math.max(...off.map(Math.abs)).toFixed(0)} |`;
  }),
);

const BARS = [
  { length_mm: 300, diameter_mm: 8, in_mm: 180 },
  { length_mm: 180, diameter_mm: 16, in_mm: 90 },
  { length_mm: 500, diameter_mm: 5, in_mm: 350 },
];
const mouths = BARS.map((bar) => {
  const piece: Piece = {
    name: "Bar",
    mark: "1",
    kind: "other",
    steel: "1084",
    start: "as-forged",
    use: "knife",
    length_mm: bar.length_mm,
    section: { shape: "round", diameter_mm: bar.diameter_mm },
  };
  const [mine, other] = [alongMouth(piece, bar.in_mm, 815, 120), explicitBar(bar, 815, 120)];
  const at = (T: Float64Array, mm: number): number => T[Math.min(T.length - 1, Math.round((T.length * mm) / bar.length_mm - 0.5))]!;
  const inside = Array.from({ length: Math.floor(bar.in_mm / 10) }, (_, i) => 10 * i + 5);
  const off = Math.max(...inside.map((mm) => Math.abs(at(mine, mm) - at(other, mm))));
  const hot = (T: Float64Array): number => (bar.length_mm * T.findIndex((t) => t < 750)) / T.length;
  return `| ${bar.diameter_mm} mm, ${bar.in_mm} of ${bar.length_mm} in | ${off.toFixed(1)} | ${hot(mine).toFixed(0)} and ${hot(other).toFixed(0)} |`;
});

const parts = Array.from({ length: PIECES }, (_, i) => partTold(FIRST_SEED + i));
const better = parts.filter(({ told_HRC, alone_HRC }) => told_HRC > alone_HRC + 1).length;
const most = Math.max(...parts.map(({ told_HRC, alone_HRC }) => told_HRC - alone_HRC));
const windows = parts.flatMap(({ shuts_s, aloneShuts_s }) =>
  shuts_s === null || aloneShuts_s === null ? [] : [Math.abs(shuts_s / aloneShuts_s - 1)],
);
const near = windows.filter((off) => off <= 0.15).length;

writePage(
  "parts.md",
  `# Parts of a piece, tried

Written by \`npm run parts\` (tools/writeParts.ts). What is compared is the scheme, with the same constants on both sides: nobody measured a plane iron in its bath here.

## An end ground to an edge

The model has the wedge of the bevel, its back a mirror; finite elements (core/test/simulate/elements.ts on mathjs) have 40 mm of the body behind it as
well. From 800 C into a bath of one transfer; the middle plane, so far up from the edge, at each of the times. Wanted where hardness is decided: 15 K.

| | up, mm | after, s | furthest off, K |
| --- | ---: | --- | ---: |
${bevels.join("\n")}

Where the bevel meets the body, that is thicker and warmer than a mirror says.

## A part in the fire

Temperature along a bar as it comes out at 815 C after two minutes, against an explicit scheme of its own (core/test/simulate/explicitBar.ts). Inside the
mouth; and how far from the end that works it is over 750 C. Wanted: 15 K, 2 mm.

| round bar | furthest off inside, K | over 750 C to, mm: model and scheme |
| --- | ---: | --- |
${mouths.join("\n")}

The mouth is a step: a door packed with fibre, or the flame that licks out of an open end, is no step, and makes the change more gradual.

## A blade with a tip

${PIECES} made-up blades, measured at two further places: thicker near the tang, thinner at the tip. The place told as the weakest is better than the
softest of its places run as pieces of their own by more than 1 HRC in ${better} (furthest: ${most.toFixed(1)}; a place is told as the weakest by its chance of
landing, not by its hardness, where a softer one lands as likely). The window that is told ends within 15 % of the soonest of its places alone in
${near} of the ${windows.length} that have one. Heat along the blade is not followed: each place is run by itself.
`,
);
