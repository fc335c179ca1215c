/** The end of a server: what runs is finished within a time, then all is closed. */
import type { Server } from 'node:http';
import type { Application } from '../app';
import type { NearDoor } from '../admission/nearDoor';
import type { Db } from '../database';
import type { Replica } from '../replica/replica';
import type { HeldFolder } from '../folder';
import { after, every } from '../timers';

/** Longest that a request may take that runs when the server is told to stop, ms. */
const PATIENCE_MS = 10_000;
const LOOK_MS = 1_000;
const IDLE_MS = 50;

export interface Parts {
  server: Server;
  door: NearDoor;
  application: Application;
  db: Db;
  held: HeldFolder;
  replica: Replica | null;
}

/** Stops when told to; and with the process of that number, where one is named: a server of a test does not outlive it. */
export function stopWhenTold(
  { server, door, application, db, held, replica }: Parts,
  parent: string | undefined,
): void {
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    // Streams of news have no end of their own; connections that wait for nothing go at once.
    application.hush();
    door.close();
    server.close(() => {
      application.close();
      db.close();
      void (replica?.stop() ?? Promise.resolve()).finally(() => {
        held.release();
        process.exit(0);
      });
    });
    // Also those that a last answer leaves behind.
    every(IDLE_MS, () => server.closeIdleConnections());
    after(PATIENCE_MS, () => server.closeAllConnections());
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  if (parent !== undefined)
    every(LOOK_MS, () => {
      try {
        process.kill(Number(parent), 0);
      } catch {
        process.exit(0);
      }
    });
}
