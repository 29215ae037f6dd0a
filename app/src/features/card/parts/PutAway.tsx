/** A piece that was made by mistake leaves the rack from its card; asked once, and it can be taken back from its bench. */

import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useLog } from "../../../store/useStore.js";

export function PutAway({ id, name }: { readonly id: string; readonly name: string }) {
  const { write } = useLog();
  const navigate = useNavigate();
  const [asks, setAsks] = useState(false);
  const put = async (): Promise<void> => {
    if (await write(id, [{ kind: "fate", fate: "mistaken" }])) await navigate("/");
  };
  return (
    <>
      <Button variant="text" onClick={() => setAsks(true)}>
        A mistake
      </Button>
      <Dialog open={asks} onClose={() => setAsks(false)} maxWidth="xs">
        <DialogTitle>Was the {name.toLowerCase()} a mistake?</DialogTitle>
        <DialogContent>It leaves the rack. It stays in the book, where its bench can take that back.</DialogContent>
        <DialogActions>
          <Button onClick={() => setAsks(false)}>Leave it</Button>
          <Button variant="contained" onClick={() => void put()}>
            Put it away
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
