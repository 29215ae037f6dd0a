/** Verbs about hardness: harden, line, choose-bath, verdict, convert. */

import { CATALOGUE } from "../catalogue.js";
import { InputError } from "../errors.js";
import { withSurprises, type Surface } from "../evidence/belief.js";
import { hardnessVerdict } from "../evidence/verdict.js";
import { brinellFromRockwellC, rockwellAFromRockwellC, rockwellCFromVickers, vickersFromRockwellC } from "../kinetics/hardness.js";
import { resolveSteel } from "../plan/catalogue.js";
import { requireAny } from "../schema/checkAll.js";
import { saidNotices, saidOfCracks, saidOfTest, type Said } from "./english.js";
import { resolveMedium } from "./medium.js";
import type { CrackRisk } from "../simulate/crackRisk.js";
import { MEMBERS } from "../schema/job.js";
import { bestBath, compareBaths } from "../simulate/chooseBath.js";
import { harden, type HardenPlan, type HardnessValue, type ProfilePoint } from "../simulate/harden.js";
import type { Dip } from "../simulate/hardenCase.js";
import { depthForLine } from "../simulate/lineFor.js";

function hrcOf({ mean_HRC, sd_HRC, p05_HRC, p50_HRC, p95_HRC, model_HRC, input_HRC }: HardnessValue) {
  return {
    hrc: { mean: mean_HRC, sd: sd_HRC, p05: p05_HRC, p50: p50_HRC, p95: p95_HRC, sdModel: model_HRC, sdInput: input_HRC },
    hv: vickersFromRockwellC(mean_HRC),
  };
}

/** The crack indicator as the command line prints it. */
export function crackAnswer({ index, level, martensiteGap, lag_s, difference_K, reasons }: CrackRisk) {
  return { index, level, martensiteGap, lag_s, difference_K, reasons: saidOfCracks(reasons) };
}

/** The profile as the command line prints it. */
export function profileAnswer(profile: readonly ProfilePoint[]) {
  return profile.map(({ x_mm, y_mm, hardness_HRC, hardness_HV, martensite }) => ({
    x_mm,
    ...(y_mm === null ? {} : { y_mm }),
    hrc: hardness_HRC,
    hv: hardness_HV,
    martensite,
  }));
}

type Hardened = Pick<ReturnType<typeof requireAny<"VerbHarden">>, "steel" | "priorStructure" | "section" | "austenitise" | "transfer_s">;

/** A hardening as the command line has it, all of it under and left in. */
function planFrom(
  { steel, priorStructure, section, austenitise, transfer_s }: Hardened,
  bath: Pick<HardenPlan, "medium" | "bath_C" | "agitation">,
): HardenPlan {
  return {
    steel: resolveSteel(CATALOGUE, steel),
    prior: priorStructure,
    section,
    heat_C: austenitise.temperature_C,
    hold_s: austenitise.hold_min * 60,
    transfer_s: transfer_s ?? 1.5,
    ...bath,
    bath_s: null,
    immersion: { kind: "full" },
  };
}

function bathFrom({
  medium,
  bath_C,
  agitation = "mild",
}: {
  medium: Parameters<typeof resolveMedium>[0];
  bath_C: number;
  agitation?: HardenPlan["agitation"] | undefined;
}) {
  return { medium: resolveMedium(medium, "/quench/medium"), bath_C, agitation };
}

type Quenched = ReturnType<typeof requireAny<"VerbHarden">>["quench"];

/** A further dip: in the same bath, all of it under, where nothing else is said. */
function dipFrom(dip: NonNullable<Quenched["dips"]>[number], first: Quenched, index: number): Dip {
  const medium = resolveMedium(dip.medium ?? first.medium, `/quench/dips/${index}/medium`);
  const same_C =
    dip.medium === undefined || dip.medium === first.medium ? first.bath_C : "usualBath_C" in medium ? medium.usualBath_C : first.bath_C;
  return {
    air_s: dip.air_s ?? 0,
    medium,
    bath_C: dip.bath_C ?? same_C,
    immersion: dip.immersion ?? { kind: "full" },
    bath_s: dip.time_s ?? null,
  };
}

export function hardenVerb(input: unknown) {
  const { quench, coat, cladding, ...said } = requireAny("VerbHarden", input);
  const result = harden({
    ...planFrom(said, bathFrom(quench)),
    bath_s: quench.time_s ?? null,
    immersion: quench.immersion ?? { kind: "full" },
    ...(quench.dips === undefined ? {} : { dips: quench.dips.map((dip, i) => dipFrom(dip, quench, i)) }),
    coat: coat ?? null,
    cladding: cladding ?? null,
  });
  const { edge, spine, austenite } = result;
  return {
    surface: hrcOf(result.surface),
    centre: hrcOf(result.centre),
    ...(edge === null ? {} : { edge: hrcOf(edge) }),
    ...(spine === null ? {} : { spine: hrcOf(spine) }),
    martensite: result.martensite,
    chanceHard: {
      surface: result.chanceHard.surface,
      centre: result.chanceHard.centre,
      ...(edge === null ? {} : { edge: result.chanceHard.working, spine: result.chanceHard.thickest }),
    },
    retainedAustenite: result.retainedAustenite,
    carbonInSolution_wtpct: austenite.solution_wtpct.C,
    astmGrain: austenite.astmGrain,
    ms_C: result.martensiteStart_C,
    noseMargin_s: Number.isFinite(result.noseMargin_s) ? result.noseMargin_s : null,
    straighten:
      result.straighten === null
        ? null
        : {
            from_s: result.straighten.from_s,
            to_s: result.straighten.to_s,
            p05_s: result.straighten.end.p05_s,
            p95_s: Number.isFinite(result.straighten.end.p95_s) ? result.straighten.end.p95_s : null,
          },
    handWarm_s: result.handWarm_s,
    crackRisk: crackAnswer(result.crackRisk),
    fractureLook: result.fractureLook,
    decarb_mm: result.decarb_mm,
    grindOff_mm: result.grindOff_mm,
    ...(result.quenchLine === null ? {} : { quenchLine_mm: result.quenchLine.height_mm, quenchLineWidth_mm: result.quenchLine.width_mm }),
    profile: profileAnswer(result.profile),
    notices: saidNotices(result.notices),
  };
}

/** How deep and how long for a line at a wanted height. */
export function lineVerb(input: unknown) {
  const { quench, wanted, ...said } = requireAny("VerbLine", input);
  const found = depthForLine(planFrom(said, bathFrom(quench)), wanted.height_mm);
  const { isReachable, ...line } = found;
  const notices: Said[] = isReachable
    ? []
    : [
        {
          code: "line-not-reachable",
          message:
            line.line_mm === null
              ? "No line at any depth: with this steel, thickness and bath it hardens all over, or nowhere."
              : `The nearest is ${line.line_mm.toFixed(1)} mm: this steel hardens no further up, or no less.`,
        },
      ];
  return { ...line, reachable: isReachable, notices };
}

/** Baths side by side. */
export function chooseBathVerb(input: unknown) {
  const { baths, ...said } = requireAny("VerbChooseBath", input);
  const tried = baths.map(({ medium: name, bath_C, agitation = "mild" }, i) => {
    const medium = resolveMedium(name, `/baths/${i}/medium`);
    if (medium.kind === "textbook")
      throw new InputError({ code: "unknown-medium", path: `/baths/${i}/medium`, got: name, allowed: "a medium of the catalogue" });
    return { medium, bath_C: bath_C ?? medium.usualBath_C, agitation };
  });
  const compared = compareBaths(planFrom(said, tried[0]!), tried, MEMBERS);
  const best = bestBath(compared);
  return {
    baths: compared.map(({ medium, bath_C, agitation, result, worth }) => ({
      medium: medium.id,
      bath_C,
      agitation,
      working: hrcOf(result.edge ?? result.surface),
      thickest: hrcOf(result.spine ?? result.centre),
      chanceHard: { working: result.chanceHard.working, thickest: result.chanceHard.thickest },
      noseMargin_s: Number.isFinite(result.noseMargin_s) ? result.noseMargin_s : null,
      crackRisk: crackAnswer(result.crackRisk),
      worth,
    })),
    best: compared[best]!.medium.id,
  };
}

export function verdictVerb(input: unknown) {
  const { prior, files = [], rockwell: tester, decarburised, piece_C } = requireAny("VerbVerdict", input);
  if (prior === undefined && files.length === 0 && tester === undefined) {
    throw new InputError({
      code: "no-evidence",
      path: "",
      message: "Give a prior, files or rockwell readings: there is nothing to judge.",
    });
  }
  const surface: Surface = decarburised === undefined ? "as-it-came" : decarburised ? "heated-long-unprotected" : "ground";
  const { summary, humps, notices, corrected } = hardnessVerdict({
    ...(prior === undefined ? {} : { prior: withSurprises([{ mean: prior.mean, sd: prior.sd }]) }),
    strokes: files.map(({ hrc, result, fileSd }) => ({
      hardness_HRC: hrc,
      result,
      ...(fileSd === undefined ? {} : { fileSpread_HRC: fileSd }),
    })),
    ...(tester === undefined
      ? {}
      : {
          rockwell: {
            readings_HRC: tester.readings,
            ...(tester.blockBias === undefined ? {} : { blockBias_HRC: tester.blockBias }),
            ...(tester.blockReadings === undefined ? {} : { blockReadings: tester.blockReadings }),
            ...(tester.radius_mm === undefined ? {} : { diameter_mm: 2 * tester.radius_mm }),
            ...(tester.thickness_mm === undefined ? {} : { thickness_mm: tester.thickness_mm }),
          },
        }),
    surface,
    ...(piece_C === undefined ? {} : { piece_C }),
  });
  return {
    hrc: { mean: summary.mean_HRC, sd: summary.sd_HRC },
    p05: summary.p05_HRC,
    p95: summary.p95_HRC,
    ...(humps === null ? {} : { stories: [humps.soft, humps.hard].map(({ share, median_HRC }) => ({ chance: share, hrc: median_HRC })) }),
    ...(corrected === null
      ? {}
      : {
          rockwell: {
            raw: corrected.raw_HRC,
            corrected: corrected.corrected_HRC,
            standardError: corrected.standardError_HRC,
            n: corrected.count,
          },
        }),
    notices: saidOfTest(notices),
  };
}

export function convertVerb(input: unknown) {
  const { hrc: given, hv } = requireAny("VerbConvert", input);
  const hrc = given ?? rockwellCFromVickers(hv!);
  const notices: Said[] = [];
  if (hrc < 20) notices.push({ code: "below-scale", message: "Rockwell C does not hold below 20: use Vickers." });
  if (hrc > 68) notices.push({ code: "outside-source-range", message: "Above the table's 68 HRC: extended in a line." });
  return { hrc, hv: hv ?? vickersFromRockwellC(hrc), hb: brinellFromRockwellC(hrc), hra: rockwellAFromRockwellC(hrc), notices };
}
