/** Calls in front of other windows, or on a phone that lies in a pocket: by the service worker's registration, where the browser was allowed to. */

import type { Call } from "./unheard.js";
import { toPiece } from "../format/address.js";

/** How a phone shakes for it, ms on and off. */
const SHAKES = { ready: [200], look: [120], now: [300, 120, 300, 120, 500], late: [700, 150, 700] } as const satisfies Record<
  Call["cue"]["kind"],
  readonly number[]
>;

export function mayNotify(): boolean {
  return typeof Notification !== "undefined" && Notification.permission === "granted";
}

async function show({ id, name, cue }: Call): Promise<void> {
  const told = {
    body: cue.words,
    tag: `${id} ${cue.at_ms}`,
    data: toPiece(id, "bench"),
    requireInteraction: cue.kind !== "look",
  };
  const kept = "serviceWorker" in navigator ? await navigator.serviceWorker.getRegistration() : undefined;
  // A phone lets only the registration do so, and only it can be tapped once the page is gone.
  if (kept?.active) return kept.showNotification(name, { ...told, vibrate: SHAKES[cue.kind] } as NotificationOptions);
  new Notification(name, told);
}

/** Each of them by itself: one would cover the other. */
export function notify(calls: readonly Call[]): void {
  if (!mayNotify() || document.visibilityState === "visible") return;
  for (const call of calls) void show(call).catch(() => undefined);
}

/** Where there is something that shakes. */
export function shake(kind: Call["cue"]["kind"]): void {
  // Refused before the page was touched: flash and sound are there.
  if ("vibrate" in navigator && navigator.userActivation?.hasBeenActive === true) navigator.vibrate([...SHAKES[kind]]);
}
