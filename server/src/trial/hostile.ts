/** Requests that no honest client sends, at random: the server answers each with a client's fault or the thing asked for, and lives on. */
import { connect } from 'node:net';
import { WITH_KEY } from './started';

export interface HostileFigures {
  requests: number;
  /** Answers by their first digit: 2, 3, 4, 5; 0 where the connection was closed. */
  answers: Record<string, number>;
}

const KEY = Object.entries(WITH_KEY).join().replace(',', ': ');

const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'HEAD', 'PATCH', 'BREW', 'get', ''];
const PATHS = [
  '/api/jobs',
  '/API/JOBS',
  '/api/jobs/trial',
  '/api/jobs/trial/changes',
  '/api/jobs/constructor',
  '/api/jobs/__proto__/history?before=x',
  '/api/jobs/%00',
  '/api/jobs/%E0%A4%A',
  '/api/files/../demo.sqlite',
  '/api/devices',
  '/api/devices/pair',
  '/../../etc/passwd',
  '//evil.example/',
  'http://[::bad',
  '*',
  '/?after=%27%3Bdrop+table+jobs',
  '/api/jobs?limit=1e9&find=%25&state=lost',
  '/sw.js',
];
const HEADERS = [
  'Host: localhost',
  'Host: evil.example',
  'Host:',
  'Origin: http://evil.example',
  'Accept-Encoding: identity;q=0',
  'Accept-Encoding: *;q=0',
  ...['gzip', 'x-gzip', 'deflate', 'br', 'zstd', 'compress', 'identity', 'none of these'].map(
    (coding) => `Content-Encoding: ${coding}`,
  ),
  'Content-Encoding: zstd, gzip, gzip',
  'Content-Type: application/json',
  'Content-Type: text/plain',
  'Content-Length: 5',
  'Content-Length: -1',
  'Transfer-Encoding: chunked',
  'Cookie: katabasis=\u00ff',
  'Katabasis-Device: %E0%A4%A',
  'If-None-Match: *',
  'Range: bytes=-1',
  'Expect: 100-continue',
  'Upgrade: websocket',
];
const BODIES = [
  '',
  '{',
  'null',
  '[]',
  '{"id":"x","elements":[null]}',
  '{"id":"__proto__","elements":[]}',
  '{"change":"aaaaaaaa","label":"x","puts":[{"base":1e400,"element":{}}],"removes":[]}',
  '{"change":"aaaaaaaa","label":"","puts":[],"removes":[{"base":0,"id":"toString"}]}',
  `{"id":"deep","elements":${'['.repeat(2000)}${']'.repeat(2000)}}`,
  '\u0000\u0001\u0002',
  '{"code":"00000000","name":"x"}',
];

/** One request over a connection of its own; gives the answer's status. */
function ask(port: number, text: string): Promise<number> {
  return new Promise((resolve) => {
    let answer = '';
    const socket = connect(port, '127.0.0.1', () => socket.end(text, 'latin1'));
    const done = (): void => resolve(Number(/^HTTP\/1\.1 (\d{3})/.exec(answer)?.[1] ?? 0));
    socket.setTimeout(5_000, () => socket.destroy());
    socket.on('data', (chunk) => {
      answer += chunk.toString('latin1');
      // An answer that goes on, as of news, is not waited for.
      if (answer.length > 12) socket.destroy();
    });
    socket.on('error', () => undefined);
    socket.on('close', done);
  });
}

export async function hostileTrial(base: string, requests: number, chance: () => number): Promise<HostileFigures> {
  const port = Number(new URL(base).port);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(chance() * from.length)]!;
  const one = (): string => {
    const body = pick(BODIES);
    const headers = Array.from({ length: Math.floor(chance() * 4) }, () => pick(HEADERS));
    const honest =
      chance() < 0.7 ? ['Host: localhost', KEY, `Content-Length: ${Buffer.byteLength(body, 'latin1')}`] : [];
    return `${pick(METHODS)} ${pick(PATHS)} HTTP/1.1\r\n${[...honest, ...headers, 'Connection: close'].join('\r\n')}\r\n\r\n${body}`;
  };
  const answers: Record<string, number> = {};
  let left = requests;
  const worker = async (): Promise<void> => {
    while (left-- > 0) {
      const kind = String(Math.floor((await ask(port, one())) / 100));
      answers[kind] = (answers[kind] ?? 0) + 1;
    }
  };
  await Promise.all(Array.from({ length: 16 }, worker));
  return { requests, answers };
}
