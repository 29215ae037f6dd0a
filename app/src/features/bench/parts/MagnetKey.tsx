/** A magnet drawn on the bar, tilted, or lifted: the gap is the message. */

const WORDS = { sticks: "sticks", weak: "weak", free: "lets go" } as const;
const LIFT = { sticks: "translate(0 0)", weak: "translate(2 -2) rotate(-18 40 30)", free: "translate(0 -13)" } as const;

interface Props {
  readonly value: keyof typeof WORDS;
  readonly isOn: boolean;
  readonly isDisabled: boolean;
  readonly onPress: () => void;
}

export function MagnetKey({ value, isOn, isDisabled, onPress }: Props) {
  return (
    <button
      type="button"
      className="log-key magnet-key"
      aria-pressed={isOn}
      disabled={isDisabled}
      onClick={onPress}
      aria-label={`Magnet ${WORDS[value]}`}
    >
      <svg viewBox="0 0 80 62" width="86" height="66" aria-hidden="true">
        <rect x="6" y="48" width="68" height="10" fill="none" stroke="var(--steel)" strokeWidth="1.5" />
        <g transform={LIFT[value]} fill="none" stroke="var(--steel)" strokeWidth="1.5">
          <path d="M26 48V28a14 14 0 0 1 28 0v20h-8V28a6 6 0 0 0-12 0v20zM26 40h8M46 40h8" />
        </g>
      </svg>
      {WORDS[value]}
    </button>
  );
}
