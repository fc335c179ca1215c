/** Clearances in words: what is asked, of whom, and how it stands. */
import type { NeedKind, Need } from './needs';
import type { Standing, NeedStanding } from './standing';
import { headOf, nameOf, type Job } from '../job/job';

interface Asked {
  title: string;
  says: string;
}

const ASKED: Record<NeedKind, Asked> = {
  locate: {
    title: 'Buried lines marked',
    says: 'The locating service marks the public lines. Nobody digs before, nor after the marks have run out; within the hand-dig zone only a spade does.',
  },
  private: {
    title: 'Private lines shown',
    says: 'Irrigation, lighting, pool, invisible fence, a drop to a shed: the service does not mark them. Ask the owner, and have them shown or traced.',
  },
  rightOfWay: {
    title: 'Permit for public ground',
    says: 'The way out lies in a street, its ditch or its drain. The road office gives leave.',
  },
  sidewalk: { title: 'Permit for the sidewalk', says: 'The line goes under or through the walk and its kerb.' },
  water: { title: 'Leave for a pond or stream', says: 'Water let out into it may want a permit.' },
  neighbour: {
    title: 'A neighbour’s consent',
    says: 'In writing, before anything crosses or runs onto another’s ground.',
  },
  association: { title: 'Owners’ association', says: 'Ask whether there is one, and whether it must agree.' },
  irrigation: {
    title: 'Irrigation people on notice',
    says: 'Pipes of the sprinklers are crossed: somebody who can mend them stands by.',
  },
  telecom: {
    title: 'Telecom people on notice',
    says: 'Their cable is crossed: it is shallow, and seldom where it is thought to be.',
  },
  trades: {
    title: 'Other trades',
    says: 'Paving is opened: what is laid after it waits, and sleeves for later lines go in now.',
  },
  inspection: { title: 'Inspection before cover', says: 'The joint into the main is looked at while it is open.' },
};

export const needTitle = ({ kind }: Need): string => ASKED[kind].title;
export const needSays = ({ kind }: Need): string => ASKED[kind].says;

/** What it is about, by name; nothing where it is about no one thing. */
export const needAbout = (job: Job, { about }: Need): string => about.map((id) => nameOf(job, id)).join(', ');

const STANDS: Record<Standing, (day: string) => string> = {
  open: () => 'Not asked yet',
  asked: (day) => (day === '' ? 'Asked, no answer yet' : `Asked, due ${day}`),
  early: (day) => `Granted from ${day}`,
  unmarked: () => 'Granted, but a line on the plan has no marks yet',
  clear: (day) => (day === '' ? 'There' : `There, until ${day}`),
  expired: (day) => `Ran out on ${day}: ask again`,
  refused: () => 'Refused',
  notNeeded: () => 'Not needed here',
};

/** How a clearance stands, with its day as it is written by `dayOf`. */
export function standsWords({ standing, clearance }: NeedStanding, dayOf: (day: string) => string): string {
  const day = standing === 'clear' || standing === 'expired' ? clearance?.expiresOn : clearance?.readyOn;
  return STANDS[standing](day === undefined ? '' : dayOf(day));
}

export const standsMark = ({ standing, blocks }: NeedStanding): 'holds' | 'fix' | 'stop' | 'mind' => {
  if (standing === 'clear' || standing === 'notNeeded') return blocks ? 'fix' : 'holds';
  if (standing === 'expired' || standing === 'refused') return 'stop';
  return blocks ? 'fix' : 'mind';
};

/** Whether the dig may begin, in a sentence. */
export function readyWords(job: Job, stands: readonly NeedStanding[]): string {
  const waits = stands.filter(({ blocks }) => blocks);
  const { clearedOn } = headOf(job);
  if (waits.length > 0) {
    const what = waits.map(({ need }) => needTitle(need)).join('; ');
    return `${clearedOn === undefined ? 'Not ready to dig' : 'Not ready to dig any more'}: ${what}.`;
  }
  return clearedOn === undefined ? 'All that is needed is there.' : 'Ready to dig.';
}
