/** Keeps what the application needs without a network, and says when a newer build waits. */

import Button from "@mui/material/Button";
import Snackbar from "@mui/material/Snackbar";
import { useNewVersion } from "./useNewVersion.js";

/** @param isQuiet nothing is said just now: at the bench a reload is not to be asked for */
export function NewVersion({ isQuiet }: { readonly isQuiet: boolean }) {
  const { needRefresh, isTaken, use: useIt, later } = useNewVersion();
  return (
    <Snackbar
      open={(needRefresh || isTaken) && !isQuiet}
      message={isTaken ? "Another tab has taken a newer Tembrak: reload this one too." : "A newer Tembrak is ready."}
      action={
        <>
          <Button variant="text" onClick={useIt}>
            {isTaken ? "Reload" : "Use it"}
          </Button>
          <Button variant="text" onClick={later}>
            Later
          </Button>
        </>
      }
    />
  );
}
