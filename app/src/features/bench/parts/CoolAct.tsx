/** Acts that wait for a fact, not a clock: black, hand-warm, in the oven, tried with a file. Time since is shown large. */

import { hardParts } from "../../../parts/brittleTeeth.js";
import { bathTimes, brittleSince, isStubby, ovenFor, ovensOf, type Check, type Prediction } from "@tembrak/core";
import { useStandingSoon } from "../../../compute/useAnswers.js";
import { actWords } from "../../../words/actWords.js";
import { showClock, showDegrees } from "../../../format/show.js";
import { usePaint } from "../../../parts/usePaint.js";
import { drawPiece, Silhouette } from "../../../parts/Silhouette.js";
import { useKit, useSettings } from "../../../store/useStore.js";
import { fallWords, waitWords, type Waiting } from "../../../words/benchWords.js";
import { ActKey, type ActProps } from "./ActKey.js";
import { MagnetKey } from "./MagnetKey.js";
import { ProofSheet } from "./ProofSheet.js";
import { WarpPanel } from "./WarpPanel.js";
import { OvenRead } from "./OvenRead.js";
import { toPiece } from "../../../format/address.js";

/** What ends it: the fact itself, or the files. */
function Keys({ state, act, bench, now_ms }: ActProps<Waiting["kind"]>) {
  const settings = useSettings();
  const words = actWords(act, state, settings);
  const test = toPiece(state.id, "test", act.id);
  return (
    <div className="bench-keys">
      {act.kind === "fall" ? (
        <FallKeys state={state} act={act} bench={bench} now_ms={now_ms} label={words.done} />
      ) : act.kind === "first-file" ? (
        <>
          <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={() => bench.done()}>
            {words.done}, untested
          </button>
          <ActKey label="Try the files" bench={bench} onPress={() => undefined} isTest={test} />
        </>
      ) : act.kind === "prove" ? (
        <>
          <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={() => bench.done([{ kind: "finished" }])}>
            Finish it untested
            <small>its record says so</small>
          </button>
          <ActKey label="Try the files" bench={bench} onPress={() => undefined} isTest={test} />
        </>
      ) : (
        <PlainKey state={state} act={act} bench={bench} label={words.done} />
      )}
    </div>
  );
}

/** While it falls: still free, just pulling, or found pulling hard: then it has turned, and is to be heated once more. */
function FallKeys({ state, act, bench, now_ms, label }: ActProps<Waiting["kind"]> & { label: string }) {
  const touched = (pull: "free" | "weak" | "sticks"): Check => ({ check: "magnet", state: pull });
  const backInFire = (): void => {
    const heats = new Set(state.acts.filter(({ step, kind }) => step === act.step && kind !== "fall").map(({ id }) => id));
    const ended = state.events.filter((event) => event.kind === "act-done" && heats.has(event.act));
    const events = [
      { kind: "check", act: act.id, reading: touched("sticks") },
      ...ended.map(({ id }) => ({ kind: "withdrawn", event: id }) as const),
    ] as const;
    bench.at(act.id, events, now_ms);
  };
  return (
    <>
      <MagnetKey value="free" isOn={false} isDisabled={bench.isStoring} onPress={() => bench.check(touched("free"))} />
      <button type="button" className="log-key" disabled={bench.isStoring} onClick={backInFire}>
        pulls hard
        <small>back in the fire</small>
      </button>
      <ActKey
        label={label}
        note="as the magnet first pulls"
        bench={bench}
        onPress={() => bench.done([{ kind: "check", act: act.id, reading: touched("weak") }])}
      />
    </>
  );
}

/** So much over its temper no oven swings: it stands where it hardened, or is not set, K. */
const FAR_TOO_HOT_K = 100;

/** The key that ends it; shut while the oven was read so hot that it would draw all its hardness. */
function PlainKey({ state, act, bench, label }: Omit<ActProps<Waiting["kind"]>, "now_ms"> & { label: string }) {
  const settings = useSettings();
  const last = state.checks.findLast(({ act: of, reading }) => of === act.id && reading.check === "chamber")?.reading;
  const read_C = last?.check === "chamber" ? last.temperature_C : null;
  const isTooHot = act.kind === "oven" && read_C !== null && read_C > act.target_C + FAR_TOO_HOT_K;
  return (
    <ActKey
      label={label}
      {...(isTooHot ? { note: `it read ${showDegrees(read_C, settings)}: that draws it soft. Read it again`, isLocked: true } : {})}
      bench={bench}
      onPress={() => bench.done()}
    />
  );
}

/** From here minutes no longer say it, s. */
const LONG_s = 3600;

/** Since the last step, or the minutes it has been brittle. */
function Since({ since_ms, brittle_ms, now_ms }: { since_ms: number | null; brittle_ms: number | null; now_ms: number }) {
  const gone_s = since_ms === null ? 0 : (now_ms - since_ms) / 1000;
  const isDay = gone_s >= 2 * LONG_s;
  const brittle = isDay ? Math.floor(gone_s / LONG_s) : Math.floor(gone_s / 60);
  const number = since_ms === null ? "–" : brittle_ms === null ? showClock(gone_s) : brittle;
  return (
    <>
      <div className="bench-now">
        <span className={brittle_ms === null && gone_s >= LONG_s ? "numeral long" : "numeral"} data-testid="numeral">
          {number}
        </span>
      </div>
      <p className="from2">
        {brittle_ms !== null ? (isDay ? "hours brittle" : "min brittle") : since_ms === null ? "" : "since the last step"}
      </p>
    </>
  );
}

/** What the first pull is good for, once it is worked out. */
function FallChance({ prediction, gone_s }: { prediction: Prediction | undefined; gone_s: number }) {
  return prediction === undefined ? null : <p className="from2">{fallWords(prediction.hardening, gone_s)}</p>;
}

/** What goes with the act: what the first pull is good for, the oven's thermometer. */
function Beside({
  state,
  act,
  bench,
  prediction,
  gone_s,
}: Omit<ActProps<Waiting["kind"]>, "now_ms"> & { prediction: Prediction | undefined; gone_s: number }) {
  if (act.kind === "fall") return <FallChance prediction={prediction} gone_s={gone_s} />;
  return act.kind === "oven" ? <OvenRead state={state} act={{ ...act, kind: "oven" }} bench={bench} /> : null;
}

/** Work by hand beside the act: a warp before the oven and after it, the proofs at the end. */
function ByHand({ state, act, bench }: Omit<ActProps<Waiting["kind"]>, "now_ms">) {
  if (act.kind !== "oven" && act.kind !== "prove") return null;
  const proofs = act.kind === "prove" ? <ProofSheet state={state} bench={bench} /> : null;
  if (isStubby(state.piece)) return proofs;
  return (
    <WarpPanel state={state} bench={bench}>
      {proofs}
    </WarpPanel>
  );
}

export function CoolAct({ state, act, bench, now_ms }: ActProps<Waiting["kind"]>) {
  const settings = useSettings();
  const kit = useKit() ?? null;
  const prediction = useStandingSoon(state);
  const brittle_ms = brittleSince(state, now_ms);
  const since_ms = brittle_ms ?? state.nextSince_ms;
  // How long until it can be held is counted from when it went under.
  const from_ms = act.kind === "cool-down" ? bathTimes(state, act.step).in_ms : since_ms;
  const gone_s = from_ms === null ? 0 : (now_ms - from_ms) / 1000;
  const box = drawPiece(state.piece, 1, "lay");
  const k = Math.min(480 / box.width_px, 250 / box.height_px);
  const drawn = drawPiece(state.piece, k, "lay");
  const paint = usePaint(state, now_ms);
  const oven = kit === null || act.kind !== "oven" ? undefined : ovenFor(ovensOf(kit, act.in), act.target_C, state.piece);
  return (
    <>
      <div className={`bench-main quench ${act.kind}`}>
        <svg viewBox="0 0 520 300" className="tank" role="img" aria-label={`${state.piece.name}: ${paint.words}`}>
          <g transform={`translate(${260 - drawn.width_px / 2} ${150 - drawn.height_px / 2})`}>
            <Silhouette drawn={drawn} lie="lay" paint={paint} brittle={brittle_ms === null ? null : hardParts(state.route)} />
          </g>
        </svg>
        <div className="bench-left">
          <Since since_ms={since_ms} brittle_ms={brittle_ms} now_ms={now_ms} />
          <p className="to-go">
            {waitWords(act, { gone_s, steel: state.piece.steel, handWarm_s: prediction?.hardening.handWarm_s, oven }, settings)}
          </p>
          <Beside state={state} act={act} bench={bench} prediction={prediction} gone_s={gone_s} />
        </div>
      </div>
      <ByHand state={state} act={act} bench={bench} />
      <Keys state={state} act={act} bench={bench} now_ms={now_ms} />
    </>
  );
}
