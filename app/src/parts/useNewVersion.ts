/** A newer build that waits: taken when somebody says so, and only this tab is reloaded for it. Another may be at a quench. */

import { useRef, useState } from "react";
import { useRegisterSW } from "virtual:pwa-register/react";

export interface NewVersion {
  /** One waits. */
  readonly needRefresh: boolean;
  /** Another tab has taken it: this one still runs the old one. */
  readonly isTaken: boolean;
  readonly use: () => void;
  readonly later: () => void;
}

export function useNewVersion(reload: () => void = () => window.location.reload()): NewVersion {
  const isAsked = useRef(false);
  const [isTaken, setTaken] = useState(false);
  const {
    needRefresh: [needRefresh, setNeedRefresh],
    updateServiceWorker,
  } = useRegisterSW({ onNeedReload: () => (isAsked.current ? reload() : setTaken(true)) });
  return {
    needRefresh,
    isTaken,
    use: () => {
      if (isTaken) return reload();
      isAsked.current = true;
      void updateServiceWorker(true);
    },
    later: () => {
      setNeedRefresh(false);
      setTaken(false);
    },
  };
}
