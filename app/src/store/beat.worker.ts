/** Beats for a page that is not looked at: a browser slows the timers of a hidden page to one look a minute, not those of its workers. */

const BEAT_ms = 1000;
let timer: ReturnType<typeof setInterval> | null = null;

/** true: beat; false: be still. */
self.onmessage = ({ data }: MessageEvent<boolean>): void => {
  if (timer !== null) clearInterval(timer);
  timer = data ? setInterval(() => self.postMessage(null), BEAT_ms) : null;
};
