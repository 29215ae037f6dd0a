/** Everything core offers, in the order a reader looks for it. */

// The catalogue
export { CATALOGUE, FORMS, formOf } from "./catalogue.js";
export { unknownIn, type Unknown, resolveSteel, type Catalogue, type ResolvedSteel, type Use } from "./plan/catalogue.js";
export type { SteelFile } from "./schema/steel.js";
export type { Medium } from "./schema/medium.js";
export type { KindFile } from "./schema/kind.js";

// What people type
export {
  parseDuration,
  parseLength,
  parseNumber,
  parseTemperature,
  questionHeat,
  questionLength,
  type HeatQuestion,
  type HeatRole,
  type LengthQuestion,
  type LengthRole,
  type LengthUnit,
  type Parsed,
  type QuantityFault,
  type TemperatureUnit,
} from "./quantity.js";
export {
  celsiusDifferenceFromFahrenheit,
  celsiusFromFahrenheit,
  fahrenheitDifferenceFromCelsius,
  fahrenheitFromCelsius,
  gallonsFromLitres,
  inchesFromMillimetres,
  kilogramsFromPounds,
  kilopascalsFromPsi,
  litresFromGallons,
  metresFromMillimetres,
  millimetresFromInches,
  millimetresFromMetres,
  minutesFromSeconds,
  poundsFromKilograms,
  psiFromKilopascals,
  secondsFromMinutes,
} from "./units.js";

// Pieces, routes and the book
export {
  FATES,
  type Fate,
  PIECE_KINDS,
  HEATED_IN,
  JUDGED_BY,
  SCHOOLS,
  STARTS,
  type Book,
  type BookEvent,
  type Check,
  type HardnessTest,
  type Piece,
  type PieceKind,
  type Route,
  type HeatedIn,
  type Heating,
  type JudgedBy,
  type School,
  type Start,
  type Step,
  type Way,
  type Wish,
  type Zone,
  CLAMPS,
  COLOUR_NAMES,
  DRAWS,
  HARDENS,
  PROOF_OUTCOMES,
  PROOFS,
  STRAIGHTENERS,
  type Clamp,
  type ColourName,
  type Draws,
  type Into,
  type Hardens,
  type Proof,
  type ProofOutcome,
  type RunSource,
  type Straightener,
  WISHES,
  ZONES,
} from "./schema/book.js";
export { withSnapTemper } from "./plan/snapTemper.js";
export { thickness_mm } from "./shape/thickness.js";
export { facesOf, placeDoubts, type Faces, type PlaceDoubt, type SoftParts } from "./evidence/testPlaces.js";
export type { TestPlace } from "./schema/book.js";
export { cladOf } from "./shape/cladding.js";
export type { Cladding } from "./schema/parts.js";
export { VESSELS, type CalibrationReading, type Kit, type KitItem, type KitKind, type Vessel } from "./schema/kit.js";
export {
  canDraw,
  hottest_C,
  hottestTemper_C,
  joinedOvens,
  ovenFor,
  ovensOf,
  VESSEL_C,
  bathFromKit,
  kitOf,
  missingFor,
  PRESETS,
  type KitLack,
  type NewKitItem,
  type Preset,
} from "./plan/kit.js";
export { edgeFor, lookOver, THIN_EDGE, type LookOver } from "./plan/lookOver.js";
export { dipOfRoute, temperedAround, type Dip } from "./plan/dip.js";
export { heatWithPart, inFire_mm, leavesTang, withInFire } from "./plan/inFire.js";
export { bevelFault, workingSection, type BevelFault } from "./shape/bevel.js";
export type { Mouth } from "./simulate/mouth.js";
export { cooledMass_kg, fitProblems, groundOff_kg, mass_kg, type FitPlace, type FitProblem, type FitWay } from "./plan/fit.js";
export { calibrate, dialFor_C, LEAST_READINGS, offsetAt_K, type Calibration, type DialReading } from "./evidence/calibration.js";
export type { Section } from "./schema/parts.js";
export {
  annealStep,
  BELOW_RANGE_K,
  destressStep,
  FALLING_OVER_K,
  forgeHeat,
  planRoute,
  preheatStep,
  SHADE_K,
  structureBeforeHardening,
  subCriticalStep,
  targetOf,
  TOUCH_K,
  usualEdgeDepth_mm,
} from "./plan/route.js";
export { readyFor, type BathSeen, type Ready } from "./standing/ready.js";
export { forgedAnew } from "./plan/forgedAnew.js";
export { roundHeat_C } from "./plan/roundHeats.js";
export { heatOrder, type HeatPrompt } from "./plan/heatOrder.js";
export { namedHeat, type HeatName, type NamedHeat } from "./plan/namedHeat.js";
export { otherPractices, type OtherPractice, type Practice } from "./plan/otherPractice.js";
export { orderProblem, type OrderProblem } from "./plan/order.js";
export { drawsFor, hardensFor, USUAL_WAY, isBackDrawn, isBackToDraw, hardeningFrom, heatedOf, wayOf } from "./plan/way.js";
export {
  allUnder,
  backFirst,
  bathOf,
  byTurns,
  dipAfter,
  edgeDepth_mm,
  edgeSoDeep,
  edgeUnder,
  endIn,
  endOf,
  endUnder,
  intoOf,
  inOtherBath,
  isLaid,
  keepsHeat,
  lastFor,
  lasting,
  lastOf_s,
  mediaOf,
  secondDip,
  seconds,
  turnsOf,
  turnsSaid,
  turnWith,
  underOf,
  withInto,
  type EndName,
  type Quench,
  type Turns,
  type Under,
} from "./plan/dips.js";
export { hottestBath_C, isGuessed, isLiquid, isWater, peakSpeed_W_m2K } from "./heat/bathKind.js";
export { LIMITS } from "./schema/limits.js";
export { BOOK_VERSION } from "./schema/version.js";
export { migrateEvent } from "./migrate/index.js";
export { REASONS, type Reason } from "./schema/reasons.js";
export { unsaid } from "./unsaid.js";
export { nextTemper, type NextTemper } from "./plan/nextTemper.js";
export { actsOfRoute, stageOf, type Act, type Stage } from "./plan/acts.js";
export {
  brittleSince,
  heatsDone,
  isInWork,
  piecesOf,
  isStubby,
  pieceState,
  standing,
  type LoggedCheck,
  type PieceState,
} from "./book/state.js";
export { BACK_WITHIN_K, soakClock, type SoakClock } from "./book/soakClock.js";
export { BREAK_ASTM, grainOfNumber_um } from "./kinetics/grain.js";
export { BREAK_LOOKS, type BreakLook } from "./schema/book.js";
export { besideIt } from "./standing/besideIt.js";
export { grainSeen } from "./standing/grainSeen.js";
export { mishapsOf } from "./standing/mishaps.js";
export { asUsual, tapDoubt, tapMatters, type TapDoubt } from "./standing/tapDoubt.js";
export { dipNow, type DipNow } from "./standing/dipNow.js";
export { bathTimes } from "./standing/bathTimes.js";
export { gradeOf, type Grade } from "./standing/grade.js";
export { lacks } from "./plan/chamber.js";
export {
  canHold,
  HEATINGS,
  heatingOf,
  isByNumber,
  isControlled,
  isInKiln,
  isSameHeating,
  judgedIn,
  JUDGES,
  SCHOOL_HEATING,
  schoolOf,
} from "./plan/heating.js";
export { tolerance_mm, drawnFurtherBy, onceMore, warpNow, type WarpNow } from "./standing/warp.js";
export { boilingAt, boilingOn, type Boiling } from "./heat/boiling.js";
export { falling, type Falling } from "./evidence/falling.js";
export { settling, type Settling } from "./evidence/settling.js";
export { ovenRead_C } from "./standing/asDone.js";
export { lateNow_ms } from "./standing/late.js";
export { endsOfHeat, heatBefore, onItsWay, outOfFire_C, type OnItsWay } from "./standing/onItsWay.js";
export {
  COLD_AFTER_s,
  mayStillBend,
  straightenCall,
  straighteningNow,
  windowAt,
  type StraightenCall,
  type Straightening,
} from "./standing/straightening.js";
export { COLOUR_MIN, FIRST_COLOUR_C, watchedOf } from "./plan/runHeat.js";
export { backRuns, edgeInAir, edgeInWater, softBack } from "./plan/runStep.js";
export { wetEdge_mm } from "./plan/colourRun.js";
export { runLogOf, type RunLog } from "./standing/runLog.js";
export type { ColourRun } from "./plan/colourRun.js";
export { AHEAD_s, bandOf, colourAtHeat, COMING_s, heatOfColour_C, runNow, type RunNow } from "./simulate/runNow.js";
export type { FallSeen, Known, ShopKnown } from "./schema/job.js";
export { plannedQuestion, standingQuestion, type Question, type StandingContext } from "./standing/question.js";
export {
  bathBars,
  bathFor,
  bathLog,
  bathNow,
  FRESH_s,
  surface_mm2,
  tankOf,
  type Bath,
  type BathBar,
  type BathEntryAt,
  bathReads,
  type BathRead,
  type BathNow,
} from "./standing/bathNow.js";
export { bathAhead, bathState, fallsTo_s, levelRise_mm, SHOP_AIR_C, waitFor_s, warmingTo, type BathHappening } from "./heat/bathState.js";
export { BATH_REASONS, TIME_REASONS, type BathEntry, type BathReason, type TimeReason } from "./schema/book.js";
export { endInHand, lastBathDone, whyQuestion, type Diagnosed } from "./diagnose/facts.js";
export { diagnose, type Diagnosis, type Ranked } from "./diagnose/diagnose.js";
export { afterFinding } from "./diagnose/check.js";
export { LOOK_ANSWERS, MISHAPS, type Answer, type CheckCode, type Mishap } from "./schema/book.js";
export { againRoute, inRoundHeat, MOST_ATTEMPTS, type Change, type Remedy, type RemedyCode } from "./diagnose/remedy.js";
export { CAUSES, type Cause, type Fact, type Finding } from "./schema/job.js";
export {
  factorKey,
  habitsOf,
  learnedIn,
  knownFrom_ms,
  teachersOf,
  ratioOf,
  saysSomething,
  USUAL_TRANSFER_s,
  type Factor,
  type Taught,
} from "./standing/learn.js";
export type { Lesson } from "./simulate/lesson.js";
export { checkBook, parseJson, readBook, writeBook } from "./book/exchange.js";
export { breadth_mm, outlineOf, sawTooth, type Outline, type Point } from "./shape/outline.js";
export { hasStations, measuredStation, pointAt, sectionAt, thinnestEdge_mm } from "./shape/stations.js";

// What becomes of the steel
export { ac1_C } from "./kinetics/criticalTemperatures.js";
export { transformations, usualSolution, type Transformations } from "./simulate/transformations.js";
export { type AtPlace, type Measured } from "./simulate/alongPiece.js";
export { predict, type Prediction } from "./simulate/predict.js";
export { temperCyclesOf } from "./simulate/planOf.js";
export type { BathResponse, Response, Track } from "./simulate/response.js";
export type { Estimate, Share, SpreadCause } from "./simulate/temperedPlace.js";
export type { CrackRisk } from "./simulate/crackRisk.js";
export { temperatureForHardness, temperedHardness } from "./kinetics/temper.js";
export { makeDesk, type Desk } from "./simulate/desk.js";
export { rehearse, REHEARSALS } from "./job/rehearse.js";
export { runJob, type JobAnswers, type JobOutcome, type WhatIf } from "./job/runJob.js";
export type { BathChance, BetterBath } from "./simulate/chooseBath.js";
export type { LineFor } from "./simulate/lineFor.js";
export type { SectionPicture } from "./simulate/sectionPicture.js";
export { isSameAfter_s, type Member } from "./simulate/hardenSpread.js";
export { MEMBERS, type Effort, type FireInput, type Job, type JobFailure } from "./schema/job.js";

// How hot it is
export { estimateHeat, type HeatConflict, type HeatEstimate } from "./simulate/heatEstimate.js";
export { glowInLight, type HeatEvidence, type MagnetPoint } from "./simulate/heatBelief.js";
export { eyeErrors_K, learnEye, LEAST_PAIRS, type LearnedEye } from "./book/eye.js";
export { expectedAt, type WarmUp } from "./simulate/warmUp.js";
export { airCooling_s, airLeft_C } from "./simulate/hardenReadings.js";
export { PATTERNS, PASTE, PLATES, patternOf, type Pattern, type PatternTried } from "./simulate/patterns.js";
export { pinsBetween } from "./solve/domain.js";
export { solve, type PlannedWay, type Solved, type TemperCurve } from "./solve/solve.js";
export type { WayOn } from "./solve/waysOn.js";
export type { Check as PlanCheck, CheckName } from "./solve/worth.js";
export { MAY_FAIL, SURER, WORTH_A_WORD, type WayName as PlanWay } from "./solve/weights.js";
export { PINS, type Pin } from "./schema/job.js";
export { betterForWish, missedWish, servesWish, type BetterWish } from "./simulate/wish.js";
export { hardensForZones, zoneReports, type ZoneReport } from "./simulate/zoneReport.js";
export { chanceAllInWindow, zoneOffsets, type ZoneOffset } from "./simulate/zones.js";
export { magnetPoint } from "./simulate/magnetPoint.js";

// What is seen
export {
  ambientFromLux,
  firstVisible_C,
  glowHex,
  glowName,
  GLOW_KEYS,
  isGlowVisible,
  readGlow,
  type Ambient,
  type GlowName,
  type GlowReading,
} from "./colour/glow.js";
export { alloyShift_K, filmHex, filmNamed_nm, growFilm_nm, OXIDE_NAMES, oxideFilm_nm, oxideName } from "./colour/oxide.js";

// What a test says
export { disagreementOf, type Disagreement } from "./evidence/agree.js";
export { tempersDone, testsOf, testsThatCount } from "./standing/known.js";
export { chanceBelow } from "./evidence/verdict.js";
export type { OutAt, OutWay } from "./simulate/outAt.js";
export type { StraightenWindow } from "./simulate/hardenReadings.js";
export { spreadOfEnds, type ShutSpread } from "./simulate/windowSpread.js";
export type { Humps } from "./evidence/humps.js";
export { MILL_FILE_HRC, testFound, testVerdict } from "./evidence/storedTest.js";
export { hardnessVerdict, type HardnessVerdict, type VerdictInput } from "./evidence/verdict.js";
export { hardnessOfNode_HRC, priorBelief, withSurprises, type FileResult, type FileStroke, type Surface } from "./evidence/belief.js";

// The simulated shop
export { PracticeShop } from "./practice/shop.js";
export type { ShopAnswer, ShopCommand, ShopPlace, ShopQuestion, ShopReading, ShopReset } from "./schema/practice.js";

// Checking and the command line
export type { Checked } from "./schema/check.js";
export { check, requireValid } from "./schema/checkPage.js";
export { checkAny } from "./schema/checkAll.js";
export { InputError, type InputErrorCode, type InputProblem } from "./errors.js";
export type { Notice, NoticeCode, TestNotice } from "./notices.js";
export type { CrackReason } from "./simulate/crackRisk.js";
export { runVerb, VERB_NAMES, verbHelp, verbHelpOf, verbNeedsInput, verbSchema } from "./verbs/index.js";

// A piece in the fire
export { fireTime, LONG_OUT_s, type FireTime } from "./heatNow/fireTime.js";
export { warmUpQuestion, type WarmUpQuestion } from "./heatNow/fire.js";
export { firesTook_s, risesOf, stepTimes_s } from "./heatNow/stepTimes.js";
export { checkTemperature_C } from "./heatNow/evidence.js";
export {
  heatBehind,
  heatNow,
  WINDOW_K,
  type HeatCall,
  type HeatContext,
  type HeatNow,
  type HeatRead,
  type MagnetState,
  type ZonesNow,
} from "./heatNow/heatNow.js";
export type { EvidenceKind } from "./simulate/heatBelief.js";
export { heatOfNode_C } from "./simulate/heatGrid.js";
