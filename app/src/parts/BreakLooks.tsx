/** Five breaks drawn to scale: the one that looks like what lies there is tapped. */

import { BREAK_ASTM, BREAK_LOOKS, grainOfNumber_um, type BreakLook } from "@tembrak/core";
import { useEffect, useRef } from "react";
import { BREAK_WORDS } from "../words/breakWords.js";
import { breakFace } from "./breakFace.js";
import "./breakLooks.css";

/** What is drawn of a break: two millimetres across, as through a loupe. */
const [WIDE, HIGH, UM_DOT] = [180, 72, 11];

function Face({ look }: { readonly look: BreakLook }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const pen = canvas.current?.getContext("2d");
    if (!pen) return;
    const grey = breakFace(WIDE, HIGH, UM_DOT, grainOfNumber_um(BREAK_ASTM[look]));
    const picture = pen.createImageData(WIDE, HIGH);
    grey.forEach((value, i) => picture.data.set([0.94 * value, 0.98 * value, value, 255], 4 * i));
    pen.putImageData(picture, 0, 0);
  }, [look]);
  return <canvas ref={canvas} width={WIDE} height={HIGH} aria-hidden="true" />;
}

interface Props {
  readonly seen: BreakLook | null;
  readonly isDisabled?: boolean;
  readonly onSeen: (look: BreakLook) => void;
}

export function BreakLooks({ seen, isDisabled = false, onSeen }: Props) {
  return (
    <div className="break-looks" role="group" aria-label="What the break looks like">
      {BREAK_LOOKS.map((look) => (
        <button key={look} type="button" aria-pressed={seen === look} disabled={isDisabled} onClick={() => onSeen(look)}>
          <Face look={look} />
          <b>{BREAK_WORDS[look].name}</b>
          <small>{BREAK_WORDS[look].looks}</small>
        </button>
      ))}
      <p className="drawn">Two millimetres of each, drawn to scale. A loupe helps; a fresh break, in raking light.</p>
    </div>
  );
}
