/** Said once, when something first runs for long: how it will be called, what a locked phone cannot do, and its end to take along. */

import Button from "@mui/material/Button";
import { useSet, useSettings } from "../store/useStore.js";
import type { Clock } from "./clocks.js";
import { mayNotify } from "./notify.js";
import { TakeEnd } from "./TakeEnd.js";

function canAsk(): boolean {
  return typeof Notification !== "undefined" && Notification.permission === "default";
}

export function MayCall({ long }: { readonly long: Clock | undefined }) {
  const { hasAskedToCall } = useSettings();
  const set = useSet();
  if (long === undefined || hasAskedToCall) return null;
  // The browser's own question first: it is only allowed while a hand is on the key.
  const answer = (isWanted: boolean): void => {
    if (isWanted) void Notification.requestPermission().catch(() => undefined);
    set({ hasAskedToCall: true });
  };
  return (
    <div className="call-line may-call" data-testid="may-call">
      <span>
        {canAsk() ? "In a pocket or behind another window only a notification is seen. May this browser show them? " : ""}
        {mayNotify() ? "Notifications call you from behind other windows. " : ""}A locked phone may put this page to sleep: then nothing
        calls. Keep it awake, or let its calendar ring.
      </span>
      {canAsk() ? <Button onClick={() => answer(true)}>Yes, ask the browser</Button> : null}
      <TakeEnd clock={long} />
      <Button variant="text" onClick={() => answer(false)}>
        {canAsk() ? "No" : "Seen"}
      </Button>
    </div>
  );
}
