/** A dialog at the bench: closed, it gives the focus to the key that ends the act, not to the key that opened it. */

import Dialog, { type DialogProps } from "@mui/material/Dialog";
import { useEffect } from "react";

function toTheAct(): void {
  document.querySelector<HTMLElement>(".bench-act")?.focus({ preventScroll: true });
}

export function BenchDialog(props: Omit<DialogProps, "disableRestoreFocus">) {
  const { open } = props;
  useEffect(() => {
    // Once what closed it is through: until then it holds the focus.
    return open ? () => void setTimeout(toTheAct) : undefined;
  }, [open]);
  return <Dialog {...props} disableRestoreFocus />;
}
