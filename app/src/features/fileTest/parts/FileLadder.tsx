/** Files and belief on one vertical axis of hardness; each answer rules out a hatched part. Drag a file, or tap. */

import { MILL_FILE_HRC, hardnessOfNode_HRC, kitOf, type Estimate, type FileResult, type Kit } from "@tembrak/core";
import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { showRange } from "../../../format/show.js";
import type { TestDraft } from "../../../words/testDraft.js";

const FILES = [65, 60, 55, 50, 45, 40] as const;
const RESULTS: readonly FileResult[] = ["skates", "drags", "bites"];
const ROW = 78;
const TOP_HRC = 67.5;

/** A file stands at the rung it is nearest to, HRC. */
const RUNG_HRC = 2.5;

/** The marked files there are, by their rung; all of a set where nobody has said what the shop has. */
export function filesAt(kit: Kit | null): ReadonlyMap<number, number> {
  const own = kit === null ? FILES : kitOf(kit, "files").flatMap(({ files_HRC }) => files_HRC);
  return new Map(FILES.flatMap((rung) => own.filter((file) => Math.abs(file - rung) <= RUNG_HRC).map((file) => [rung, file] as const)));
}

interface Props {
  readonly kit: Kit | null;
  readonly draft: TestDraft;
  readonly onChange: (draft: TestDraft) => void;
  readonly verdict: {
    readonly before: Float64Array;
    readonly belief: Float64Array;
    readonly bracket: { readonly above_HRC: number | null; readonly below_HRC: number | null };
    readonly summary: { readonly mean_HRC: number };
  };
  readonly prior: Estimate | undefined;
  readonly wanted: { readonly low_HRC: number; readonly high_HRC: number } | null;
}

function ResultMark({ result }: { result: FileResult }) {
  const marks = {
    skates: "M6 14h44M14 8h26v-3h-26zM44 7h6",
    drags: "M6 14h44M14 8h26v-3h-26zM14 15l-4 7M24 15l-4 7M34 15l-4 7M44 15l-4 7",
    bites: "M6 14h12M40 14h10M18 17h24v-4h-24zM38 11c2-6 10-6 9 0",
  } as const;
  return (
    <svg width="56" height="26" viewBox="0 0 56 26" aria-hidden="true" fill="none" stroke="currentColor" strokeWidth="1.5">
      <path d={marks[result]} />
    </svg>
  );
}

function AnswerKey({ file, result, isOn, onPress }: { file: number; result: FileResult; isOn: boolean; onPress: () => void }) {
  const { setNodeRef, isOver } = useDroppable({ id: `${file}:${result}` });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className={isOver ? "answer over" : "answer"}
      aria-pressed={isOn}
      aria-label={`${file === MILL_FILE_HRC ? "Mill file" : `File ${file}`} ${result}`}
      onClick={onPress}
    >
      <ResultMark result={result} />
      {result}
    </button>
  );
}

function FileHandle({ file, isTried }: { file: number; isTried: boolean }) {
  const { setNodeRef, listeners, transform } = useDraggable({ id: String(file) });
  const move = transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 3 } : {};
  return (
    <div ref={setNodeRef} className="file" style={move} {...listeners} data-testid={`file-${file}`}>
      <svg viewBox="0 0 280 32" width="100%" height="32" aria-hidden="true">
        <path
          d="M2 16l4-4c6 0 12-8 20-8H274q5 0 5 5v14q0 5-5 5H26c-8 0-14-8-20-8z"
          fill={isTried ? "var(--line2)" : "var(--lift)"}
          stroke="var(--steel)"
          strokeWidth="1.3"
        />
        <rect x="88" y="4.6" width="188" height="22.6" fill="url(#hatch-out)" stroke="none" />
        <text x="42" y="16" dominantBaseline="central" fontSize="19" fontWeight="600" fill="var(--ink)" className="drawn">
          {file === MILL_FILE_HRC ? "mill" : file}
        </text>
      </svg>
    </div>
  );
}

function Axis({ verdict, prior, wanted }: Pick<Props, "verdict" | "prior" | "wanted">) {
  const [W, H] = [330, ROW * FILES.length];
  const perPoint = ROW / 5;
  const yOf = (hardness_HRC: number): number => (TOP_HRC - hardness_HRC) * perPoint;
  const bottom_HRC = TOP_HRC - H / perPoint;
  const most = Math.max(...verdict.belief, ...verdict.before);
  const X0 = 44;
  const curve = (belief: Float64Array): string =>
    Array.from(belief)
      .map((w, i) => ({ w, hrc: hardnessOfNode_HRC(i) }))
      .filter(({ hrc }) => hrc >= bottom_HRC && hrc <= TOP_HRC)
      .map(({ w, hrc }) => `${(X0 + (w / most) * 236).toFixed(1)} ${yOf(hrc).toFixed(1)}`)
      .join("L");
  const { above_HRC, below_HRC } = verdict.bracket;
  const mean = verdict.summary.mean_HRC;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="ladder-axis" role="img" aria-label={`Hardness believed: about ${mean.toFixed(1)} HRC`}>
      {below_HRC === null ? null : <rect x={X0} y={0} width={W - X0} height={Math.max(0, yOf(below_HRC))} fill="url(#hatch-out)" />}
      {above_HRC === null ? null : (
        <rect x={X0} y={yOf(above_HRC)} width={W - X0} height={Math.max(0, H - yOf(above_HRC))} fill="url(#hatch-out)" />
      )}
      {below_HRC === null ? null : (
        <>
          <line x1={0} x2={W} y1={yOf(below_HRC)} y2={yOf(below_HRC)} stroke="var(--steel)" strokeWidth={1.2} />
          <text x={W - 4} y={yOf(below_HRC) - 9} textAnchor="end" fontSize={13.5} fill="var(--ink)" className="drawn">
            {below_HRC} bites: softer than this
          </text>
        </>
      )}
      {above_HRC === null ? null : (
        <>
          <line x1={0} x2={W} y1={yOf(above_HRC)} y2={yOf(above_HRC)} stroke="var(--steel)" strokeWidth={1.2} />
          <text x={W - 4} y={yOf(above_HRC) + 19} textAnchor="end" fontSize={13.5} fill="var(--ink)" className="drawn">
            {above_HRC} skates: harder than this
          </text>
        </>
      )}
      <line x1={X0} x2={X0} y1={0} y2={H} stroke="var(--line2)" strokeWidth={1.2} />
      {FILES.map((f) => (
        <g key={f}>
          <line x1={X0 - 6} x2={X0 + 6} y1={yOf(f)} y2={yOf(f)} stroke="var(--ink2)" strokeWidth={1} />
          <text x={X0 - 10} y={yOf(f)} textAnchor="end" dominantBaseline="central" fontSize={13.5} fill="var(--ink2)" className="drawn">
            {f}
          </text>
        </g>
      ))}
      <path
        d={`M${X0} ${yOf(TOP_HRC)}L${curve(verdict.belief).split("L").reverse().join("L")}L${X0} ${H}Z`}
        fill="var(--pale)"
        fillOpacity={0.17}
        stroke="none"
      />
      <path d={`M${curve(verdict.before)}`} fill="none" stroke="var(--ink2)" strokeWidth={1.3} strokeDasharray="6 4" />
      <path d={`M${curve(verdict.belief)}`} fill="none" stroke="var(--pale)" strokeWidth={2.2} />
      {prior ? (
        <text x={W - 4} y={Math.min(H - 12, yOf(prior.mean_HRC - 2.6))} textAnchor="end" fontSize={13} fill="var(--ink2)" className="drawn">
          predicted {prior.mean_HRC.toFixed(1)}, {showRange(prior.p05_HRC, prior.p95_HRC)}
        </text>
      ) : null}
      {wanted === null ? null : (
        <g stroke="var(--verd)" strokeWidth={2.6} fill="none">
          <path d={`M${X0 - 26} ${yOf(wanted.high_HRC)}h-7V${yOf(wanted.low_HRC)}h7`} />
          <text
            x={X0 - 40}
            y={(yOf(wanted.high_HRC) + yOf(wanted.low_HRC)) / 2}
            transform={`rotate(-90 ${X0 - 40} ${(yOf(wanted.high_HRC) + yOf(wanted.low_HRC)) / 2})`}
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={13}
            fontWeight={600}
            fill="var(--verd)"
            stroke="none"
            className="drawn"
          >
            wanted
          </text>
        </g>
      )}
    </svg>
  );
}

export function FileLadder({ kit, draft, onChange, verdict, prior, wanted }: Props) {
  const own = filesAt(kit);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const answer = (file: number, result: FileResult): void => {
    const strokes = new Map(draft.strokes);
    if (strokes.get(file) === result) strokes.delete(file);
    else strokes.set(file, result);
    onChange({ ...draft, strokes });
  };
  const drop = ({ active, over }: DragEndEvent): void => {
    const [file, result] = String(over?.id ?? "").split(":");
    if (file !== String(active.id) || result === undefined) return;
    onChange({ ...draft, strokes: new Map(draft.strokes).set(Number(file), result as FileResult) });
  };
  return (
    <DndContext sensors={sensors} onDragEnd={drop}>
      <div className="ladder">
        <div className="ladder-rows">
          {[...FILES.map((rung) => own.get(rung) ?? null), MILL_FILE_HRC].map((file, i) => (
            <div key={FILES[i] ?? "mill"} className="ladder-row" style={{ height: ROW }}>
              {file === null ? null : (
                <>
                  <FileHandle file={file} isTried={draft.strokes.has(file)} />
                  {RESULTS.map((result) => (
                    <AnswerKey
                      key={result}
                      file={file}
                      result={result}
                      isOn={draft.strokes.get(file) === result}
                      onPress={() => answer(file, result)}
                    />
                  ))}
                </>
              )}
            </div>
          ))}
        </div>
        <Axis verdict={verdict} prior={prior} wanted={wanted} />
      </div>
    </DndContext>
  );
}
