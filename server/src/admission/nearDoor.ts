/**
 * The near door: how a browser on the server's own machine gets in without a code. A page that was opened as localhost asks a second port,
 * which listens on this machine only, for a ticket, and shows that to the server. A proxy lends its visitors the first port and never the
 * second: a visitor's browser asks its own machine there.
 */
import { randomBytes } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { LOOPBACK, nameOf } from '../http/guard';
import { after } from '../timers';

/** How long a ticket is good, ms. */
const GOOD_MS = 60_000;

export class NearDoor {
  port = 0;
  private readonly tickets = new Set<string>();
  private readonly server: Server;

  /** `mainPort`: the pages' own, told once it is known. */
  constructor(mainPort: () => number) {
    this.server = createServer((request, response) => {
      const { host = '', origin = '' } = request.headers;
      const isPage = LOOPBACK.some((name) => origin === `http://${name}:${mainPort()}`);
      if (request.method !== 'GET' || !LOOPBACK.includes(nameOf(host)) || !isPage) {
        response.writeHead(403).end();
        return;
      }
      const headers = { 'Access-Control-Allow-Origin': origin, 'Cache-Control': 'no-store', Vary: 'Origin' };
      response.writeHead(200, { ...headers, 'Content-Type': 'text/plain' }).end(this.ticket());
    });
    this.server.unref();
  }

  /** Opens it on a port that is free. */
  open(): Promise<void> {
    return new Promise((resolve, reject) => {
      this.server.once('error', reject);
      this.server.listen(0, '127.0.0.1', () => {
        this.port = (this.server.address() as AddressInfo).port;
        resolve();
      });
    });
  }

  private ticket(): string {
    const ticket = randomBytes(24).toString('base64url');
    this.tickets.add(ticket);
    after(GOOD_MS, () => this.tickets.delete(ticket));
    return ticket;
  }

  /** Whether a ticket was given here; it is good once. */
  takes(ticket: string): boolean {
    return this.tickets.delete(ticket);
  }

  close(): void {
    this.server.close();
    this.server.closeAllConnections();
  }
}
