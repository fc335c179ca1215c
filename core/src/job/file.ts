/** The job file, `*.katabasis.json`: `{ format, version, job, elements }`. Reading it names every fault and saves nothing by halves. */
import { elementSchema, idSchema, type Element } from './kinds';
import { issueSentence, jobFaults, MAX_ELEMENTS } from './faults';
import { Findings, type Fault } from './findings';
import { jobFrom, type Job } from './job';

export const FILE_FORMAT = 'katabasis-job';
export const FILE_VERSION = 1;

export interface JobFile {
  format: typeof FILE_FORMAT;
  version: number;
  job: string;
  elements: readonly Element[];
}

export type ReadFile = { ok: true; job: Job } | { ok: false; faults: Fault[] };

const refused = (path: string, sentence: string): ReadFile => ({ ok: false, faults: [{ path, sentence }] });

/** The job as a file's object; elements in the order they were put. */
export function toFile(job: Job): JobFile {
  return { format: FILE_FORMAT, version: FILE_VERSION, job: job.id, elements: job.elements.all };
}

/** Reads a job file's text. Never throws. */
export function readFileText(text: string): ReadFile {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refused('file', `is not a job file: ${whyUnreadable(text)}`);
  }
  return readFile(raw);
}

/** Why text is no job file, in words. */
function whyUnreadable(text: string): string {
  if (text.trim() === '') return 'it is empty';
  if (/\bNaN\b|\bInfinity\b/.test(text)) return 'it holds NaN or Infinity, which are not numbers';
  return text.trimStart().startsWith('{')
    ? 'it breaks off or is damaged'
    : 'it is a file of another sort, such as a picture, a sheet or a page';
}

/** Reads a parsed job file. Never throws. */
export function readFile(raw: unknown): ReadFile {
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return refused('file', 'is not a job file: it should be one object');
  const { format, version, job: id, elements } = raw as Record<string, unknown>;
  if (format !== FILE_FORMAT) return refused('format', `should be "${FILE_FORMAT}"; this is some other file`);
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refused('version', 'must be a whole number from 1');
  if (version > FILE_VERSION)
    return refused('version', `is ${version}, from a later version of Katabasis; this one reads up to ${FILE_VERSION}`);
  if (!Array.isArray(elements)) return refused('elements', 'must be a list');
  if (elements.length > MAX_ELEMENTS)
    return refused('elements', `holds ${elements.length} elements; the most is ${MAX_ELEMENTS}`);
  const faults = new Findings();
  const parsedId = idSchema.safeParse(id);
  if (!parsedId.success)
    faults.add(() => ({
      path: 'job',
      sentence: id === undefined ? 'is missing' : issueSentence(parsedId.error!.issues[0]!),
    }));
  const read = readElements(elements, faults);
  const job = jobFrom(parsedId.success ? parsedId.data : 'job', read);
  // References are checked only among sound elements: a broken one has been named already.
  if (!faults.none) return { ok: false, faults: faults.all };
  const between = jobFaults(job);
  return between.length > 0 ? { ok: false, faults: between } : { ok: true, job };
}

function readElements(elements: unknown[], faults: Findings): Element[] {
  const read: Element[] = [];
  const seen = new Set<string>();
  elements.forEach((raw, index) => {
    const id = (raw as { id?: unknown } | null)?.id;
    const where = `elements[${index}]${typeof id === 'string' ? ` (${id.slice(0, 64)})` : ''}`;
    const parsed = elementSchema.safeParse(raw, { reportInput: true });
    if (!parsed.success) {
      for (const issue of parsed.error.issues) {
        faults.add(() => ({ path: [where, ...issue.path.map(String)].join('.'), sentence: issueSentence(issue) }));
      }
      return;
    }
    if (seen.has(parsed.data.id)) faults.add(() => ({ path: where, sentence: 'has an id that another element has' }));
    seen.add(parsed.data.id);
    read.push(parsed.data);
  });
  return read;
}
