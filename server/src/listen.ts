/** Listens on loopback; a busy port is no error: it takes the next. */

import type { Express } from "express";
import { createServer, type Server } from "node:http";

const HOST = "127.0.0.1";
const MOST_TRIES = 50;

export interface Listening {
  readonly server: Server;
  readonly port: number;
  readonly address: string;
}

function listenOnce(app: Express, port: number): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = createServer(app);
    server.once("error", reject);
    server.listen(port, HOST, () => {
      server.off("error", reject);
      resolve(server);
    });
  });
}

/** Takes `port` or the first free one after it; tells of each that was busy. */
export async function listen(app: Express, port: number, onBusy: (port: number) => void): Promise<Listening> {
  for (let tried = port; tried < port + MOST_TRIES && tried <= 65535; tried++) {
    try {
      const server = await listenOnce(app, tried);
      return { server, port: tried, address: `http://${HOST}:${tried}/` };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== "EADDRINUSE") throw error;
      onBusy(tried);
    }
  }
  throw new Error(`No free port from ${port} on.`);
}
