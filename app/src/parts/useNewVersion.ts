/** A newer build that waits: taken when somebody says so, and only this tab is reloaded for it. Another may be at a quench. */

import { useEffect, useEffectEvent, useRef, useState } from "react";
import { registerSW } from "virtual:pwa-register";

export interface NewVersion {
  /** One waits. */
  readonly needRefresh: boolean;
  /** Another tab has taken it: this one still runs the old one. */
  readonly isTaken: boolean;
  readonly use: () => void;
  readonly later: () => void;
}

/** What is kept for a day without a network is fetched once the page has said what it was opened for, ms. */
const SETTLED_ms = 4000;

export function useNewVersion(reload: () => void = () => window.location.reload()): NewVersion {
  const isAsked = useRef(false);
  const update = useRef<ReturnType<typeof registerSW> | null>(null);
  const [needRefresh, setNeedRefresh] = useState(false);
  const [isTaken, setTaken] = useState(false);
  const take = useEffectEvent(() => (isAsked.current ? reload() : setTaken(true)));
  useEffect(() => {
    const timer = setTimeout(() => {
      update.current = registerSW({ onNeedRefresh: () => setNeedRefresh(true), onNeedReload: () => take() });
    }, SETTLED_ms);
    return () => clearTimeout(timer);
  }, []);
  // Another tab may take it before this one has asked for anything. The first that ever comes is not a newer one.
  useEffect(() => {
    const kept = "serviceWorker" in navigator ? navigator.serviceWorker : null;
    if (kept === null || kept.controller === null) return;
    const changed = (): void => take();
    kept.addEventListener("controllerchange", changed);
    return () => kept.removeEventListener("controllerchange", changed);
  }, []);
  return {
    needRefresh,
    isTaken,
    use: () => {
      if (isTaken) return reload();
      isAsked.current = true;
      void update.current?.(true);
    },
    later: () => {
      setNeedRefresh(false);
      setTaken(false);
    },
  };
}
