/** What can fail in a storm, from when to when. */
export const FAILURES = ['blocked', 'stopped', 'shut', 'power', 'worn', 'high', 'off', 'full'] as const;
export type FailureKind = (typeof FAILURES)[number];

/**
 * `blocked`: a grate, by a share of it. `stopped`: a run, crushed or full of roots, by a share of its width. `shut`: a way out, frozen or held down. `power`: a pump stands still.
 * `worn`: it lifts less, by a share. `high`: water stands at a way
 * out at a level, m. `off`: a downspout, off its pipe. `full`: the ground round a pit takes no more. Times in s; all the time when absent.
 */
export interface Failure {
  kind: FailureKind;
  id: string;
  share?: number;
  level?: number;
  from?: number;
  to?: number;
}

export const failsAt = ({ from = 0, to = Infinity }: Failure, time: number): boolean => time >= from && time < to;
