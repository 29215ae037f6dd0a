/** The verdict: a sentence, its reasons, and where the spread comes from. */

import { failureWords } from "../../../words/failureWords.js";
import type { VerdictWords } from "../../../words/verdictWords.js";

interface Props {
  readonly words: VerdictWords | undefined;
  /** What a test after the temper found; null where none was made. */
  readonly found: string | null;
  /** What the model expected before anything was tested; null while it is not worked out, or something is tried. */
  readonly expected: string | null;
  /** What moved it from its plan. */
  readonly moved: string | null;
  /** By what its hardness is known; null while something is tried. */
  readonly grade: string | null;
  /** Of tests that cannot all be right. */
  readonly odd: string | null;
  readonly failure: Error | null;
  readonly isStale: boolean;
}

export function VerdictPanel({ words, found, expected, moved, grade, odd, failure, isStale }: Props) {
  if (failure !== null) return <p className="waiting">{failureWords(failure)}</p>;
  if (words === undefined) {
    return (
      <p className="waiting" role="status">
        Working it out…
      </p>
    );
  }
  const rest = words.reasons.filter((reason) => !words.first.includes(reason));
  return (
    <div aria-live="polite" style={{ opacity: isStale ? 0.6 : 1 }}>
      <p className="verdict-line" data-testid="verdict">
        {found === null ? words.headline : `${found}.`}
      </p>
      {grade === null ? null : <p className="verdict-grade drawn">{grade}</p>}
      <ul className="verdict-reasons">
        {found === null || expected === null ? null : <li data-testid="expected">{expected}</li>}
        {odd === null ? null : <li data-testid="disagree">{odd}</li>}
        {moved === null ? null : <li data-testid="moved">{moved}</li>}
        {words.first.map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
      </ul>
      <details className="verdict-why" data-testid="verdict-why">
        <summary>Why, and how sure</summary>
        <ul className="verdict-reasons">
          {rest.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
          <li>{HRC_WORDS}</li>
        </ul>
        <Spread words={words} isMeasured={found !== null} />
      </details>
    </div>
  );
}

/** Where it first stands, a newcomer is told once what it is (figures: common practice, no source). */
const HRC_WORDS =
  "HRC is hardness by Rockwell's C scale: a new file is about 65, a kitchen knife 56 to 60, a spring 45. The range holds nine pieces of ten.";

function Spread({ words, isMeasured }: { readonly words: VerdictWords; readonly isMeasured: boolean }) {
  const most = Math.max(0.5, ...words.spread.map(({ sd_HRC }) => sd_HRC));
  const [widest] = words.spread;
  return (
    <>
      <p className="spread-hint drawn">Where its spread comes from, one deviation each:</p>
      <dl className="spread-bars" aria-label="Where the spread comes from, HRC">
        {words.spread.map(({ label, sd_HRC }) => (
          <div key={label} style={{ display: "contents" }}>
            <dt className="drawn">{label}</dt>
            <dd className="drawn">
              <i style={{ width: `${Math.max(2, (60 * sd_HRC) / most)}%` }} />
              {`± ${sd_HRC.toFixed(1)}`}
            </dd>
          </div>
        ))}
      </dl>
      {widest !== undefined && !isMeasured ? (
        <p className="spread-hint drawn">{widest.hint[0]!.toUpperCase() + widest.hint.slice(1)}.</p>
      ) : null}
    </>
  );
}
