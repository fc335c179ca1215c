/** News to every page that listens, as server-sent events: which job was changed, and that the list was. */
import type { IncomingMessage, ServerResponse } from 'node:http';
import { createChannel, createSession } from 'better-sse';
import type { News } from '@katabasis/core';
import { after } from '../timers';

/** Many verdicts may come in at once: pages are told of the list at most this often, ms. */
const LIST_EVERY_MS = 300;

interface Listener {
  sees: (job: string) => boolean;
}

/** Streams of the server's own machine. */
const HERE = '';

export class Newsroom {
  private readonly channel = createChannel<object, Listener>();
  private listed: (() => void) | null = null;
  /** Streams of each device that was let in, to be closed when it is shut out. */
  private readonly open = new Map<string, Set<ServerResponse>>();

  /** `device`: the one that listens; null at the server's own machine. `sees`: whether it may know of a job. */
  async listen(
    request: IncomingMessage,
    response: ServerResponse,
    { device, sees }: { device: string | null; sees: (job: string) => boolean },
  ): Promise<void> {
    this.note(device ?? HERE, response);
    const session = await createSession(request, response, { keepAlive: 20_000, retry: 2_000, state: { sees } });
    this.channel.register(session);
  }

  private note(device: string, response: ServerResponse): void {
    const streams = this.open.get(device) ?? new Set();
    this.open.set(device, streams.add(response));
    response.once('close', () => {
      streams.delete(response);
      if (streams.size === 0 && this.open.get(device) === streams) this.open.delete(device);
    });
  }

  /** Pages that listen. */
  get listening(): number {
    return this.channel.sessionCount;
  }

  /** Streams that a device has open. */
  countOf(device: string): number {
    return this.open.get(device)?.size ?? 0;
  }

  /** Closes every stream of a device. */
  shutOut(device: string): void {
    for (const response of this.open.get(device) ?? []) response.destroy();
  }

  tell(news: News): void {
    if (news.news === 'changed') this.channel.broadcast(news, 'news', { filter: ({ state }) => state.sees(news.job) });
    this.listed ??= after(LIST_EVERY_MS, () => {
      this.listed = null;
      this.channel.broadcast({ news: 'listed' } satisfies News, 'news');
    });
  }

  close(): void {
    this.listed?.();
    for (const device of this.open.keys()) this.shutOut(device);
  }
}
