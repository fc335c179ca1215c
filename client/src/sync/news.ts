/**
 * The server's own news, as server-sent events. A browser opens few connections to one server: of the pages of a device one listens and
 * tells the others, where the browser lets pages agree on it.
 */
import { newsSchema, type News } from '@katabasis/core';
import { alone } from './alone';

type Heard = { news: News } | 'back';

/** Asks again when the browser gives up, ms: it does for an answer that is none, as that of a server that is just starting. */
const AGAIN_MS = 5_000;

/** Calls `hear` for each piece of news, and `back` when the server is in reach again after it was not. Gives what ends it. */
export function listenToServer(hear: (news: News) => void, back: () => void): () => void {
  if (typeof EventSource === 'undefined') return () => undefined;
  const ended = new AbortController();
  const channel = new BroadcastChannel('katabasis.news');
  const take = (heard: Heard): void => (heard === 'back' ? back() : hear(heard.news));
  channel.onmessage = ({ data }: MessageEvent<Heard>) => take(data);
  const listen = (): Promise<void> =>
    listening(ended.signal, (heard) => {
      channel.postMessage(heard);
      take(heard);
    });
  // Held until this page goes; then another of the device takes it up.
  alone('news', listen, ended.signal).catch(() => undefined);
  return () => {
    ended.abort();
    channel.close();
  };
}

/** Listens until it is called off. */
function listening(signal: AbortSignal, tell: (heard: Heard) => void): Promise<void> {
  return new Promise((resolve) => {
    let lost = false;
    let source: EventSource;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const open = (): void => {
      source = new EventSource('/api/events');
      source.onopen = () => {
        if (lost) tell('back');
        lost = false;
      };
      source.onerror = () => {
        lost = true;
        if (source.readyState === EventSource.CLOSED) timer = setTimeout(open, AGAIN_MS);
      };
      source.addEventListener('news', ({ data }: MessageEvent<string>) => {
        const news = newsSchema.safeParse(JSON.parse(data));
        // What a later version tells of besides is let pass.
        if (news.success) tell({ news: news.data });
      });
    };
    open();
    signal.addEventListener('abort', () => {
      clearTimeout(timer);
      source.close();
      resolve();
    });
  });
}
