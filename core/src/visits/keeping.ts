/** Visits as they are kept: begun, written down, and closed with what the plan said on that day. */
import { put, type Change } from '../job/change';
import { nameOf, ofKind, type Job } from '../job/job';
import type { Visit, VisitTest } from '../job/kinds';
import { sayVisit } from './said';
import type { Told } from './visitSaid';

/** What a file holds of what was told: a longer one ends with its last whole word. */
const MOST_OF = 300;
const MOST_SAID = 2000;
const kept = (said: string, most: number): string =>
  said.length <= most ? said : said.slice(0, said.lastIndexOf(' ', most));

/** A visit with what is said of it by the plan as it is: kept with it, whatever becomes of the plan. */
export function withSaid(job: Job, plan: Told, visit: Visit): Visit {
  const { of, asPlanned, sentence, low, high } = sayVisit(job, plan, visit);
  return {
    ...visit,
    said: {
      of: kept(of, MOST_OF),
      sentence: kept(sentence, MOST_SAID),
      ...(asPlanned === null ? {} : { asPlanned }),
      ...(low === undefined ? {} : { low }),
      ...(high === undefined ? {} : { high }),
    },
  };
}

const LABELS: Record<VisitTest['type'], string> = {
  hose: 'Hose test',
  rain: 'Look after rain',
  drainDown: 'Drain-down',
  levels: 'Levels read again',
  hold: 'Plug and fill',
  pitch: 'Pitch by the bubble',
  camera: 'Camera or rod',
  clean: 'Cleaning',
  jars: 'Jars side by side',
  look: 'A look',
};
export const visitLabel = (type: VisitTest['type']): string => LABELS[type];

/** The change that keeps a visit as it is now, told by the plan as it is now. */
export const keepVisit = (job: Job, plan: Told, visit: Visit): Change =>
  put(`${visitLabel(visit.test.type)} kept`, withSaid(job, plan, visit));

/** Visits, the last first; one that is still being done stands before all. */
export function visitsOf(job: Job): Visit[] {
  const begun = ({ said }: Visit): number => (said === undefined ? 1 : 0);
  return ofKind(job, 'visit').toSorted((a, b) => begun(b) - begun(a) || (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
}

/** The hose test that is being done at a landing; undefined while none is. */
export const openHose = (job: Job, landing: string): Visit | undefined =>
  visitsOf(job).find(({ said, test }) => said === undefined && test.type === 'hose' && test.into === landing);

/** Flow of the hose as it was measured last, m³/s, and its bucket; null where nobody has. */
export function lastBucket(job: Job): { volume: number; seconds: number } | null {
  for (const { test } of visitsOf(job)) if (test.type === 'hose' && test.bucket) return test.bucket;
  return null;
}

/** What a visit is of, in a line of a list. */
export const visitTitle = (job: Job, { said, test }: Visit): string => {
  if (said) return said.of;
  return test.type === 'hose' ? `${LABELS.hose} at ${nameOf(job, test.into)}` : LABELS[test.type];
};
