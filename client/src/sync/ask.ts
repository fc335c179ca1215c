/** The server's door: what is asked, and what comes of no answer or of a no. Needs no schema of an element: the list of jobs is there before them. */
import { isPlainProblem, type Problem } from '@katabasis/core/first';
import { deviceName } from './device';
import { heardClock } from './device/serverClock';

/** The server answered, and said no. */
export class Refused extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super([problem.title, ...(problem.faults ?? []).map((fault) => `${fault.path} ${fault.sentence}.`)].join(' '));
    this.problem = problem;
  }
}

/** Nobody answered, or the server could not now; asking again later may help. */
export class Unreachable extends Error {
  /** What the server said of itself; null when nobody answered. */
  readonly said: string | null;

  constructor(message: string, said: string | null = null) {
    super(message);
    this.said = said;
  }
}

/** This device has not been let in, or is no longer. What is kept here stays, and is sent when it is. */
export class NotAdmitted extends Unreachable {}

/** What is said where something was asked for in vain: the server's own words, or that nobody answered; `otherwise` of any other fault. */
export const whyNot = (error: unknown, otherwise: string): string =>
  error instanceof Refused || error instanceof Unreachable ? error.message : otherwise;

export const NOT_READ = 'The server answered in a way that this version cannot read.';

/** A search part of an address: what is left out is not asked for. */
export function asSearch(query: Readonly<Record<string, string | number | undefined>>): string {
  const given = Object.entries(query).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]]));
  return given.length === 0 ? '' : `?${new URLSearchParams(given).toString()}`;
}

/** A yard's signal can be slow: so long for an answer, and so much for what is sent, bytes a ms (16 kbit/s). */
const PATIENCE_MS = 20_000;
const SLOWEST = 2;

/** What is sent along: a file as it is, anything else as JSON. */
function bodyOf(body: unknown): Pick<RequestInit, 'body' | 'headers'> {
  if (body === undefined) return {};
  if (body instanceof Blob) return { body, headers: { 'Content-Type': body.type || 'application/octet-stream' } };
  return { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } };
}

const sizeOf = (body: unknown): number =>
  body instanceof Blob ? body.size : typeof body === 'string' ? body.length : 0;

/** Says what this device is called; the server writes it beside each change. */
const withDevice = ({ headers, ...rest }: Pick<RequestInit, 'body' | 'headers'>): RequestInit => ({
  ...rest,
  headers: { ...headers, 'Katabasis-Device': encodeURIComponent(deviceName()) },
});

/** Each answer says of which epoch of the server's it is; whoever follows that says how. */
let heard: (epoch: string) => void = () => undefined;
export const epochsHeardBy = (hear: typeof heard): void => void (heard = hear);

const NEAR = ['localhost', '127.0.0.1', '[::1]'];

/** Gets in by the near door, which only a browser on the server's own machine reaches: a page opened under another name does not try. */
async function entersNear(door: string): Promise<boolean> {
  if (!NEAR.includes(location.hostname)) return false;
  try {
    const ticket = await (await fetch(`http://127.0.0.1:${door}/`)).text();
    return (await fetch('/api/here', { method: 'POST', ...bodyOf({ ticket }) })).ok;
  } catch {
    // It is somebody else's machine after all.
    return false;
  }
}

/** `patience`: how long the answer and what it carries may take, ms. */
export async function ask(
  method: string,
  path: string,
  body?: unknown,
  patience: number = PATIENCE_MS,
): Promise<Response> {
  const init = withDevice(bodyOf(body));
  const ms = patience + sizeOf(init.body) / SLOWEST;
  const go = (): Promise<Response> => fetch(`/api${path}`, { method, signal: AbortSignal.timeout(ms), ...init });
  let response: Response;
  let asked = Date.now();
  try {
    response = await go();
    const door = response.status === 401 ? response.headers?.get('Katabasis-Door') : null;
    if (door && (await entersNear(door))) {
      asked = Date.now();
      response = await go();
    }
  } catch {
    throw new Unreachable('The server is out of reach.');
  }
  heardClock(response.headers?.get('Date'), asked, Date.now());
  const epoch = response.headers?.get('Katabasis-Epoch');
  if (epoch) heard(epoch);
  if (response.ok) return response;
  const problem = problemOf(await response.json().catch(() => null));
  if (problem === null) throw new Unreachable('The server could not answer.');
  const { title } = problem;
  if (response.status === 401) throw new NotAdmitted(title, title);
  if (response.status >= 500 || response.status === 429) throw new Unreachable(title, title);
  throw new Refused(problem);
}

/** A problem that names elements is read by their schemas, which come later than this: whoever has them says how. */
let readWhole: (said: unknown) => Problem | null = () => null;
export const problemsReadBy = (reader: typeof readWhole): void => void (readWhole = reader);

/** What the server said was wrong; null where it is nothing of its own. */
const problemOf = (said: unknown): Problem | null => (isPlainProblem(said) ? said : readWhole(said));
