/**
 * Starts the server. Environment: KATABASIS_PORT (4870), KATABASIS_HOST (127.0.0.1), KATABASIS_DATA (folder of the database),
 * KATABASIS_SAMPLES (`keep`: put in samples that are missing; `fresh`: put all back as they were).
 */
import { rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { openDatabase } from './database';
import { allowedHosts, lanAddresses } from './http/guard';
import { putSamples } from './samples';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

function start(): void {
  const port = Number(process.env.KATABASIS_PORT ?? 4870);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`KATABASIS_PORT must be a port number, and is "${process.env.KATABASIS_PORT}".`);
  const host = process.env.KATABASIS_HOST ?? '127.0.0.1';
  const data = process.env.KATABASIS_DATA ?? join(ROOT, 'data');
  const samples = process.env.KATABASIS_SAMPLES;
  const file = join(data, samples ? 'demo.sqlite' : 'katabasis.sqlite');
  if (samples === 'fresh') for (const tail of ['', '-wal', '-shm']) rmSync(file + tail, { force: true });
  const db = openDatabase(file);
  if (samples) putSamples(db);
  const server = createApp({
    db,
    hosts: allowedHosts(host),
    files: join(data, 'files'),
    web: join(ROOT, 'client', 'dist'),
  }).listen(port, host);
  server.on('listening', () => {
    const { port: actual } = server.address() as { port: number };
    console.log(`Katabasis is at http://localhost:${actual}`);
    if (host === '127.0.0.1') console.log('For a phone on the same network, start it with: -- --lan');
    else
      for (const address of lanAddresses())
        console.log(`On a phone on the same network, open http://${address}:${actual}`);
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(
      error.code === 'EADDRINUSE' ? `Port ${port} is taken. Stop what uses it, or set KATABASIS_PORT.` : error.message,
    );
    process.exit(1);
  });
  const stop = (): void => {
    server.close(() => {
      db.close();
      process.exit(0);
    });
    server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

start();
