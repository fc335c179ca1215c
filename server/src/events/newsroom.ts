/** News to every page that listens, as server-sent events: which job was changed, and that the list was. */
import type { IncomingMessage, ServerResponse } from 'node:http';
import { createChannel, createSession } from 'better-sse';
import type { News } from '@katabasis/core';
import { after } from '../timers';

/** Many verdicts may come in at once: pages are told of the list at most this often, ms. */
const LIST_EVERY_MS = 300;

export class Newsroom {
  private readonly channel = createChannel();
  private listed: (() => void) | null = null;

  async listen(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const session = await createSession(request, response, { keepAlive: 20_000, retry: 2_000 });
    this.channel.register(session);
  }

  tell(news: News): void {
    if (news.news === 'changed') this.channel.broadcast(news, 'news');
    this.listed ??= after(LIST_EVERY_MS, () => {
      this.listed = null;
      this.channel.broadcast({ news: 'listed' } satisfies News, 'news');
    });
  }

  close(): void {
    this.listed?.();
  }
}
