/** What the kit cannot do, and what could be planned better: another bath of it, the way through it that meets a wish, a way round the dip of toughness, an oven where a colour comes too late. */

import { intoOf } from "@tembrak/core";
import type { ComponentProps } from "react";
import { FitNotice } from "../../../parts/FitNotice.js";
import { useKeepKit, useKit, useLog, useSettings } from "../../../store/useStore.js";
import { bathOffWords } from "../../../words/bathWords.js";
import { doneOfIt, placesAhead } from "../doneOfIt.js";
import { BathNotice } from "./BathNotice.js";
import { DipNotice } from "./DipNotice.js";
import { RunNotice } from "./RunNotice.js";
import { WishNotice } from "./WishNotice.js";

/** A bath that was read off its plan; null where none was, or it went in. */
function BathOff({ route, question, isBefore }: Pick<Props, "route" | "question"> & { isBefore: boolean }) {
  const units = useSettings();
  const step = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const [planned, done] = [route.steps[step], question.route.steps[step]];
  if (!isBefore || planned?.kind !== "quench" || done?.kind !== "quench") return null;
  const off = bathOffWords(intoOf(done).bath_C, intoOf(planned).bath_C, units);
  return off === null ? null : (
    <p className="notice bath-off" role="status">
      {off}
    </p>
  );
}

interface Props extends ComponentProps<typeof BathNotice> {
  readonly onReplan: NonNullable<ComponentProps<typeof FitNotice>["onReplan"]>;
}

export function PlanNotices({ onReplan, ...props }: Props) {
  const kit = useKit();
  const units = useSettings();
  const { write } = useLog();
  const keepKit = useKeepKit();
  const { state, route } = props;
  // Until it is quenched it may go in another way.
  const isBefore = !doneOfIt(state, route).isQuenched;
  return (
    <>
      {kit ? (
        <FitNotice
          piece={state.piece}
          route={route}
          kit={kit}
          units={units}
          places={placesAhead(state, route)}
          onReplan={state.doneAt_ms.size === 0 ? onReplan : undefined}
          onKit={(item) => void keepKit.add([item])}
          onRoute={isBefore ? (to) => void write(state.id, [{ kind: "route", route: to }]) : undefined}
        />
      ) : null}
      <BathOff route={route} question={props.question} isBefore={isBefore} />
      <BathNotice {...props} />
      <WishNotice {...props} />
      <DipNotice {...props} />
      <RunNotice {...props} />
    </>
  );
}
