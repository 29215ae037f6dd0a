/** Small drawing parts every sheet shares: hatch, dimensions. */

export function Hatches() {
  return (
    <svg width="0" height="0" style={{ position: "absolute" }} aria-hidden="true">
      <defs>
        <pattern id="hatch-cut" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="4" stroke="var(--steel)" strokeWidth="0.8" />
        </pattern>
        <pattern id="hatch-out" width="7.5" height="7.5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7.5" stroke="var(--line2)" strokeWidth="0.9" />
        </pattern>
      </defs>
    </svg>
  );
}

/** A vertical dimension with arrows and its number standing along it. */
export function DimV({ x, y1, y2, text }: { x: number; y1: number; y2: number; text: string }) {
  const middle = (y1 + y2) / 2;
  const gap = text.length * 3.2 + 5;
  return (
    <g stroke="var(--ink3)" strokeWidth={0.8} fill="none" className="drawn">
      <path d={`M${x - 5} ${y1}h10M${x - 5} ${y2}h10M${x} ${y1}V${middle - gap}M${x} ${middle + gap}V${y2}`} />
      <path d={`M${x - 2} ${y1 + 6}l2-6 2 6M${x - 2} ${y2 - 6}l2 6 2-6`} fill="var(--ink3)" />
      <text
        x={x}
        y={middle}
        transform={`rotate(-90 ${x} ${middle})`}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={12.5}
        fill="var(--ink3)"
        stroke="none"
      >
        {text}
      </text>
    </g>
  );
}

/** A horizontal dimension with arrows and its number between. */
export function DimH({ x1, x2, y, text }: { x1: number; x2: number; y: number; text: string }) {
  const middle = (x1 + x2) / 2;
  const gap = text.length * 3.2 + 5;
  const isTight = x2 - x1 < 2 * gap + 14;
  return (
    <g stroke="var(--ink3)" strokeWidth={0.8} fill="none" className="drawn">
      <path d={`M${x1} ${y - 5}v10M${x2} ${y - 5}v10`} />
      {isTight ? (
        <path d={`M${x1} ${y}H${x2}`} />
      ) : (
        <>
          <path d={`M${x1} ${y}H${middle - gap}M${middle + gap} ${y}H${x2}`} />
          <path d={`M${x1 + 6} ${y - 2}l-6 2 6 2M${x2 - 6} ${y - 2}l6 2-6 2`} fill="var(--ink3)" />
        </>
      )}
      <text
        x={middle}
        y={isTight ? y + 14 : y}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={12.5}
        fill="var(--ink3)"
        stroke="none"
      >
        {text}
      </text>
    </g>
  );
}
