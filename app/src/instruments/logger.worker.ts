/** Reads a logger's file beside the page, however long it is. */

import { sumFile, type LoggerAsked, type LoggerSaid } from "./loggerFile.js";

const say = (said: LoggerSaid): void => postMessage(said);

onmessage = ({ data }: MessageEvent<LoggerAsked>) => {
  const { file, mapping, from, most } = data;
  sumFile(file, mapping, from, most, (share) => say({ type: "share", share })).then(
    (sum) => say({ type: "done", sum }),
    (error: unknown) => say({ type: "failed", message: error instanceof Error ? error.message : "" }),
  );
};
