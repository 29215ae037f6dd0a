/** One of a list. */

import TextField, { type TextFieldProps } from "@mui/material/TextField";
import { useState, type MouseEvent } from "react";

/** The press only takes the focus: what it began on its way down must not be ended by letting go. */
function hold(event: MouseEvent): void {
  event.preventDefault();
}

/**
 * The list opens when the press has ended. The toolkit's own opens on the way down, and a press of more than a fifth of a second
 * takes what happens to lie under it when it is let go: a slow hand, or a busy machine, named a steel that nobody had chosen.
 */
export function Choice(props: Omit<TextFieldProps, "select" | "slotProps">) {
  const [isOpen, setOpen] = useState(false);
  const { disabled = false } = props;
  return (
    <TextField
      {...props}
      select
      slotProps={{
        select: {
          open: isOpen,
          onOpen: () => setOpen(true),
          onClose: () => setOpen(false),
          SelectDisplayProps: { onMouseDown: hold, onClick: () => setOpen(!disabled) },
        },
      }}
    />
  );
}
