/** A logger's file being read: how far it is, what it comes to, and how to stop. */

import { useEffect, useState } from "react";
import { sumFile, type LoggerAsked, type LoggerSaid, type LoggerSum } from "./loggerFile.js";

export interface LoggerProgress {
  /** How much of it is read, 0 ... 1. */
  readonly share: number;
  readonly sum: LoggerSum | null;
  /** What went wrong with the file itself. */
  readonly failed: string | null;
}

const BEGUN: LoggerProgress = { share: 0, sum: null, failed: null };

/** Beside the page where there are workers. @returns how to stop it */
function readBeside(asked: LoggerAsked, heard: (said: LoggerSaid) => void): () => void {
  if (typeof Worker === "undefined") {
    let isStopped = false;
    const tell = (said: LoggerSaid): void => {
      if (!isStopped) heard(said);
    };
    sumFile(asked.file, asked.mapping, asked.from, asked.most, (share) => tell({ type: "share", share })).then(
      (sum) => tell({ type: "done", sum }),
      () => tell({ type: "failed", message: "" }),
    );
    return () => {
      isStopped = true;
    };
  }
  const worker = new Worker(new URL("./logger.worker.ts", import.meta.url), { type: "module" });
  worker.onmessage = ({ data }: MessageEvent<LoggerSaid>) => heard(data);
  worker.onerror = () => heard({ type: "failed", message: "" });
  worker.postMessage(asked);
  return () => worker.terminate();
}

/** Reads it anew whenever something else is asked of it; an older reading is stopped. */
export function useLoggerFile(asked: LoggerAsked | null): LoggerProgress {
  const [progress, setProgress] = useState<{ readonly of: LoggerAsked | null; readonly is: LoggerProgress }>({ of: null, is: BEGUN });
  useEffect(() => {
    if (asked === null) return;
    return readBeside(asked, (said) =>
      setProgress(({ of, is }) => {
        const before = of === asked ? is : BEGUN;
        if (said.type === "share") return { of: asked, is: { ...before, share: said.share } };
        if (said.type === "done") return { of: asked, is: { share: 1, sum: said.sum, failed: null } };
        return { of: asked, is: { ...before, failed: said.message === "" ? "it cannot be read" : said.message } };
      }),
    );
  }, [asked]);
  return progress.of === asked ? progress.is : BEGUN;
}
