/** The name of the tab: the piece and what is done with it; a call that nobody has heard stands before it. */

import { useEffect } from "react";

const PRODUCT = "Tembrak";
let page = "";
let call: string | null = null;

function show(): void {
  document.title = call ?? (page === "" ? PRODUCT : `${page}, ${PRODUCT}`);
}

/** What the open page is. */
export function usePageTitle(words: string): void {
  useEffect(() => {
    page = words;
    show();
  }, [words]);
}

/** What is called; null where all is heard. */
export function useCalledTitle(words: string | null): void {
  useEffect(() => {
    call = words;
    show();
    return () => {
      call = null;
      show();
    };
  }, [words]);
}
