/** A group of questions: open under its heading where there is room, folded to one line with its answer on a phone. */

import Accordion from "@mui/material/Accordion";
import AccordionDetails from "@mui/material/AccordionDetails";
import AccordionSummary from "@mui/material/AccordionSummary";
import type { ReactNode } from "react";
import { useWide } from "./useWide.js";

interface Props {
  readonly title: string;
  /** Its answer so far, in a line. */
  readonly says: string;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
  readonly children: ReactNode;
}

export function Fold({ title, says, isOpen, onOpen, children }: Props) {
  if (useWide()) return <>{children}</>;
  return (
    <Accordion
      disableGutters
      square
      elevation={0}
      expanded={isOpen}
      onChange={(_, next) => onOpen(next)}
      className="fold"
      // What is shut holds fields with what was typed: they stay.
      slotProps={{ heading: { component: "h2" }, transition: { timeout: 0 } }}
    >
      <AccordionSummary className="fold-key">
        <b>{title}</b>
        <small>{says}</small>
        <span aria-hidden="true" className="fold-mark">
          {isOpen ? "–" : "+"}
        </span>
      </AccordionSummary>
      <AccordionDetails className="fold-in">{children}</AccordionDetails>
    </Accordion>
  );
}
