/** A sheet at the bench: its closing key is large, and always there. */

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import type { ReactNode } from "react";
import { BenchDialog } from "./BenchDialog.js";

interface Props {
  readonly isOpen: boolean;
  readonly title: string;
  readonly close?: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

export function Sheet({ isOpen, title, close = "Close", onClose, children }: Props) {
  return (
    <BenchDialog open={isOpen} onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{title}</DialogTitle>
      <DialogContent>{children}</DialogContent>
      <DialogActions>
        <Button onClick={onClose} sx={{ minHeight: 64, minWidth: 160 }}>
          {close}
        </Button>
      </DialogActions>
    </BenchDialog>
  );
}
