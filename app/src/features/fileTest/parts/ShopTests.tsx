/** The simulated shop's own files and tester: what they say of a practice piece goes into the test as if a hand had tried it. */

import { useState } from "react";
import { askShop } from "../../../instruments/simulatedShop.js";
import type { TestDraft } from "../../../words/testDraft.js";

const FILES_HRC = [45, 50, 55, 60, 65] as const;

export function ShopTests({ piece, draft, onChange }: { piece: string; draft: TestDraft; onChange: (draft: TestDraft) => void }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const refused = (): void => setTrouble("The simulated shop is not open: open it at the bench.");
  const file = (file_HRC: number): void => {
    askShop({ ask: "file", piece, file_HRC })
      .then((answer) => {
        if (answer.ask === "file") onChange({ ...draft, strokes: new Map(draft.strokes).set(file_HRC, answer.result) });
      })
      .catch(refused);
  };
  const tester = (): void => {
    askShop({ ask: "tester", piece })
      .then((answer) => {
        if (answer.ask === "tester") onChange({ ...draft, readings: [...draft.readings, answer.reading_HRC] });
      })
      .catch(refused);
  };
  return (
    <div className="shop-tests" role="group" aria-label="Simulated files and tester">
      {FILES_HRC.map((file_HRC) => (
        <button key={file_HRC} type="button" onClick={() => file(file_HRC)}>
          file {file_HRC}
        </button>
      ))}
      <button type="button" onClick={tester}>
        tester
      </button>
      {trouble ? <span role="alert">{trouble}</span> : null}
    </div>
  );
}
