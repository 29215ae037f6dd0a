/** Shown for an address that leads nowhere and for a fault of ours: what happened, and that nothing is lost. */

import Button from "@mui/material/Button";
import { Link, useRouteError } from "react-router";
import { exportBook } from "../store/exportBook.js";

/** What browsers say when a part of the page is no longer on the server. */
const IS_GONE = /dynamically imported module|module script|preload CSS/i;

/** Built anew while this page was open: its other parts are gone. */
function Rebuilt() {
  return (
    <main style={{ padding: 28, maxWidth: 720 }}>
      <h1 style={{ fontSize: 36, lineHeight: "44px", fontWeight: 560, margin: "0 0 12px" }}>A newer Tembrak is here.</h1>
      <p style={{ color: "var(--ink2)" }}>
        It was put here while this page was open, or the server is not there. Reload the page. What you stored is safe: every tap is kept
        before it is shown.
      </p>
      <div style={{ display: "flex", gap: 12, flexWrap: "wrap" }}>
        <Button variant="contained" onClick={() => window.location.reload()}>
          Reload
        </Button>
        <Button onClick={() => void exportBook()}>Export the book</Button>
      </div>
    </main>
  );
}

export function Problem() {
  const error = useRouteError();
  const said = error instanceof Error ? error.message : null;
  if (said !== null && IS_GONE.test(said)) return <Rebuilt />;
  return (
    <main style={{ padding: 28, maxWidth: 720 }}>
      <h1 style={{ fontSize: 36, lineHeight: "44px", fontWeight: 560, margin: "0 0 12px" }}>
        {said === null ? "There is nothing at this address." : "Something went wrong on this screen."}
      </h1>
      <p style={{ color: "var(--ink2)" }}>
        {said === null ? "The link may be old." : `It says: ${said}`} What you stored is safe: every tap is kept before it is shown.
      </p>
      <div style={{ display: "flex", gap: 12, flexWrap: "wrap" }}>
        <Button component={Link} to="/" variant="contained" reloadDocument={said !== null}>
          Back to the rack
        </Button>
        {said === null ? null : (
          <>
            <Button onClick={() => void exportBook()}>Export the book</Button>
            <Button component={Link} to="/book" reloadDocument>
              The book: export, bring in, empty
            </Button>
          </>
        )}
      </div>
    </main>
  );
}
