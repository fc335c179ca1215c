/**
 * The few answers that the list of jobs stands on, looked over without their schemas: those weigh a fifth of all that a first visit
 * waits for, and come after it. Each takes just what its schema in `wire.ts` takes.
 */
import { JOB_STATES } from '../job/states';
import type { JobList, Problem } from './wire';

type Check = (value: unknown) => boolean;

const isText: Check = (value) => typeof value === 'string';
const isNumber: Check = (value) => Number.isFinite(value);
const isWhole: Check = (value) => Number.isSafeInteger(value);
const orNull =
  (check: Check): Check =>
  (value) =>
    value === null || check(value);
const orNothing =
  (check: Check): Check =>
  (value) =>
    value === undefined || check(value);
const oneOf =
  (values: readonly unknown[]): Check =>
  (value) =>
    values.includes(value);
const listOf =
  (check: Check): Check =>
  (value) =>
    Array.isArray(value) && value.every(check);
/** An object with these fields, whatever else it has. */
const withFields = (fields: Readonly<Record<string, Check>>): Check => {
  const checks = Object.entries(fields);
  return (value) =>
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    checks.every(([field, check]) => check((value as Record<string, unknown>)[field]));
};

const isVerdict = withFields({
  state: oneOf(['stop', 'fix', 'mind', 'holds', 'empty']),
  sentence: isText,
  at: orNull(isText),
  stops: isNumber,
  fixes: isNumber,
  minds: isNumber,
});

const isGlance = withFields({
  sketch: orNothing(
    withFields({ width: isNumber, height: isNumber, houses: isText, ground: isText, pipes: isText, outs: isText }),
  ),
  price: isText,
  days: isNumber,
  starts: orNothing(isText),
  asks: isNumber,
});

const isRow = withFields({
  id: isText,
  name: isText,
  site: orNothing(isText),
  client: orNothing(isText),
  state: orNothing(oneOf(JOB_STATES)),
  date: orNothing(isText),
  units: oneOf(['us', 'metric']),
  seq: isNumber,
  updatedAt: isText,
  verdict: orNull(isVerdict),
  trouble: orNothing(isText),
  glance: orNothing(isGlance),
});

const isList = withFields({ jobs: listOf(isRow), total: isWhole, next: orNull(isText) });

/** Whether it is what `jobListSchema` takes. */
export const isJobList = (value: unknown): value is JobList => isList(value);

const isProblem = withFields({
  type: isText,
  title: isText,
  status: isNumber,
  detail: orNothing(isText),
  faults: orNothing(listOf(withFields({ path: isText, sentence: isText }))),
  conflicts: (value) => value === undefined,
});

/** Whether it is what `problemSchema` takes and names no conflicts: those hold elements, which only their schemas know. */
export const isPlainProblem = (value: unknown): value is Omit<Problem, 'conflicts'> => isProblem(value);
