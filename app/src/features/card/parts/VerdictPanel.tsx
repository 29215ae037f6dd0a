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
  const most = Math.max(0.5, ...words.spread.map(({ sd_HRC }) => sd_HRC));
  return (
    <div aria-live="polite" style={{ opacity: isStale ? 0.6 : 1 }}>
      <p className="verdict-line" data-testid="verdict">
        {found === null ? words.headline : `${found}.`}
      </p>
      {grade === null ? null : <p className="verdict-grade drawn">{grade}</p>}
      <ul className="verdict-reasons">
        {found === null || expected === null ? null : <li data-testid="expected">The model said: {expected}</li>}
        {odd === null ? null : <li data-testid="disagree">{odd}</li>}
        {moved === null ? null : <li data-testid="moved">{moved}</li>}
        {words.reasons.map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
      </ul>
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
      {words.spread[0] && found === null ? (
        <p className="spread-hint drawn">{words.spread[0].hint[0]!.toUpperCase() + words.spread[0].hint.slice(1)}.</p>
      ) : null}
    </div>
  );
}
