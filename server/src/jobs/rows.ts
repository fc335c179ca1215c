/** A job's elements as rows of the database. */
import { elementSchema, issueSentence, type Element } from '@katabasis/core';
import { ProblemError } from '../http/problem';

export interface ElementRow {
  id: string;
  version: number;
  place: number;
  body: string;
}

/** A stored job that this program cannot read; it stays as it is, and its rows can be had as they are. */
export class Unreadable extends ProblemError {
  constructor(sentence: string) {
    super(422, `This job is kept, but cannot be read here: ${sentence}`, {
      detail: 'Save it as it is, and keep that file.',
    });
  }
}

/** An element as a row holds it. Throws `Unreadable`, naming the row. */
function parseBody({ id, body }: ElementRow): Element {
  let raw: unknown;
  try {
    raw = JSON.parse(body);
  } catch {
    throw new Unreadable(`"${id}" is not written whole.`);
  }
  const parsed = elementSchema.safeParse(raw, { reportInput: true });
  if (parsed.success) return parsed.data;
  const issue = parsed.error.issues[0]!;
  throw new Unreadable(`${[id, ...issue.path.map(String)].join('.')} ${issueSentence(issue)}.`);
}

/** Elements of a job's rows, in their order. */
export const elementsIn = (rows: readonly ElementRow[]): Element[] => rows.map(parseBody);
