import {
  agreedAltered,
  agreedSentence,
  changed,
  changeFaults,
  nameOf,
  notHis,
  type Change,
  type Job,
} from '@katabasis/core';
import { rightsHere } from './device/ownRights';
import { formatISO } from 'date-fns/formatISO';

/** What a change would make wrong with a job, as a sentence; null when nothing. */
export function faultOf(job: Job, change: Change): string | null {
  const others = notHis(rightsHere(job.id), job, change);
  if (others !== null) return others;
  const [agreed] = agreedAltered(job, change, formatISO(new Date(), { representation: 'date' }));
  if (agreed) return agreedSentence(agreed);
  const after = changed(job, change);
  const [fault] = changeFaults(job, after, change);
  if (!fault) return null;
  const [, id] = /^elements\.([^.]+)/.exec(fault.path) ?? [];
  return `${id !== undefined && after.elements.get(id) ? nameOf(after, id) : fault.path} ${fault.sentence}.`;
}
