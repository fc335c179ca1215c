/** A server for tests: over a database and a folder of their own. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { createApp, type Application, type AppOptions } from '../app';
import { openDatabase } from '../database';
import { allowedHosts } from '../http/guard';

export const folder = (): string => mkdtempSync(join(tmpdir(), 'katabasis-test-'));

export interface Served extends Application {
  server: ReturnType<typeof request>;
}

export function serve(options: Partial<AppOptions> = {}): Served {
  const application = createApp({
    db: openDatabase(':memory:'),
    files: folder(),
    hosts: allowedHosts('127.0.0.1'),
    isLocal: () => true,
    ...options,
  });
  return { ...application, server: request(application.app.callback()) };
}
