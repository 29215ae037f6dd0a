/** The sheet every screen is drawn on: theme, what is refused or waits, and the title block at the foot. */

import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import { Outlet, useLocation } from "react-router";
import { storeTrouble, type StoreTrouble } from "../store/boot.js";
import { exportBook } from "../store/exportBook.js";
import { storeRefused, useRefused } from "../store/refused.js";
import { useLog, usePieces, useSettings } from "../store/useStore.js";
import { CallBar } from "../calls/CallBar.js";
import { ClockNotice } from "./ClockNotice.js";
import { actWords } from "../words/actWords.js";
import { viewAt } from "../views.js";
import { usePageTitle } from "./pageTitle.js";
import { NewVersion } from "./NewVersion.js";
import { TitleBlock } from "./TitleBlock.js";

const TROUBLES = {
  refused: "This browser refuses to store anything here: a private window, or storage switched off. Nothing you tap will be kept.",
  newer:
    "The book in this browser was written by a newer Tembrak. It is untouched. Reload until the newer one is here; this one cannot read it.",
  silent:
    "This browser's store does not answer. Another tab with an older Tembrak may hold it: close that one, then reload. Until then nothing can be shown or kept.",
} as const satisfies Record<Exclude<StoreTrouble, null>, string>;

/** What the tab is called: the view, the piece it is of, and at the bench its act. */
function useFrameTitle(pathname: string): void {
  const pieces = usePieces();
  const units = useSettings();
  const view = viewAt(pathname);
  const state = pieces?.find(({ id }) => id === view?.id);
  const what = view?.name === "bench" && state?.next !== undefined ? actWords(state.next, state, units).title : view?.title;
  usePageTitle(state === undefined || what === undefined ? (what ?? "") : `${state.piece.name} ${state.piece.mark}: ${what}`);
}

export function Frame() {
  const { theme } = useSettings();
  const { pathname } = useLocation();
  useFrameTitle(pathname);
  const atBench = pathname.endsWith("/bench");
  useEffect(() => {
    document.documentElement.dataset["theme"] = atBench ? (theme === "yard" ? "yard" : "bench") : theme;
  }, [theme, atBench]);
  useEffect(() => {
    // In braces: newer browsers return a promise from scrollTo, and React would take it for a clean-up.
    void window.scrollTo(0, 0);
  }, [pathname]);
  const { keep, refusal, dismiss } = useLog();
  const unstored = useRefused();
  const [trouble, setTrouble] = useState<StoreTrouble>(null);
  useEffect(() => {
    void storeTrouble().then(setTrouble);
  }, []);
  return (
    <div style={{ minHeight: "100dvh", display: "flex", flexDirection: "column" }}>
      <div style={{ flex: 1, display: "flex", flexDirection: "column", minWidth: 0 }}>
        {trouble === null ? null : (
          <p role="alert" className="store-refused">
            {TROUBLES[trouble]}
          </p>
        )}
        {refusal === null ? null : (
          <p role="alert" className="store-refused">
            {refusal}{" "}
            <Button variant="text" onClick={dismiss}>
              Seen
            </Button>
          </p>
        )}
        {unstored === 0 || atBench ? null : (
          <p role="alert" className="store-refused">
            {unstored === 1 ? "One tap is" : `${unstored} taps are`} kept in this tab alone: the browser refused to store{" "}
            {unstored === 1 ? "it" : "them"}. Closing the tab loses {unstored === 1 ? "it" : "them"}.{" "}
            <Button variant="text" onClick={() => void storeRefused().catch(() => undefined)}>
              Try again
            </Button>
            <Button variant="text" onClick={() => void keep(exportBook)}>
              Export, with {unstored === 1 ? "it" : "them"}
            </Button>
          </p>
        )}
        {trouble === null ? (
          <>
            <ClockNotice isAtBench={atBench} />
            <CallBar />
          </>
        ) : null}
        {trouble === "newer" ? null : <Outlet />}
      </div>
      {atBench ? null : <TitleBlock />}
      <NewVersion isQuiet={atBench} />
    </div>
  );
}
