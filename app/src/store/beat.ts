/** When to look at the clock: by the page's own timer while it is seen, by a worker's while it is hidden, and at once when it comes back. */

type Tell = () => void;

/** A worker that beats while it is told to. */
export interface Beater {
  postMessage(isBeating: boolean): void;
  addEventListener(type: "message", hear: () => void): void;
}

const hearers = new Set<Tell>();
let beater: Beater | null = null;

/** Tells everybody who counts. */
function beat(): void {
  for (const tell of hearers) tell();
}

function onSeen(): void {
  beater?.postMessage(document.visibilityState === "hidden");
  beat();
}

/** Starts the worker: once, as the page opens, since a hidden page may be refused a new one. */
export function startBeat(made: Beater): void {
  if (beater !== null) return;
  beater = made;
  made.addEventListener("message", beat);
  document.addEventListener("visibilitychange", onSeen);
  if (document.visibilityState === "hidden") made.postMessage(true);
}

/** Stops it, for a page that is taken down. */
export function stopBeat(): void {
  beater?.postMessage(false);
  beater = null;
  document.removeEventListener("visibilitychange", onSeen);
}

/** @param interval_ms how often while it is seen @returns stops it */
export function onBeat(interval_ms: number, tell: Tell): () => void {
  const timer = setInterval(tell, interval_ms);
  hearers.add(tell);
  document.addEventListener("visibilitychange", tell);
  return () => {
    clearInterval(timer);
    hearers.delete(tell);
    document.removeEventListener("visibilitychange", tell);
  };
}
