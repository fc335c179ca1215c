/** A line by another way, in words: what it costs more, how it falls, what it meets; or what bars it. */
import { elementOf, headOf, nameOf } from '../job/job';
import { dearer } from '../price/words';
import { showLength, showPitch, showSmall, text } from '../units';
import type { Bar } from './bars';
import type { Laid } from './proposals';
import type { Through } from './through';

export interface ThroughSaid {
  /** What it costs more and how it falls, at the finger. */
  short: readonly [string, string];
  /** Whole. */
  sentences: readonly string[];
  canGo: boolean;
}

/** A price is no nearer to be told than so, as a share of the whole. */
const ABOUT = 0.002;

const barWords = ({ job }: Laid, bar: Bar): string => {
  switch (bar.what) {
    case 'notHere':
      return 'You have said that no line goes here.';
    case 'outside':
      return 'Nothing is drawn so far out.';
    case 'cutOff':
      return 'No trench comes here from any line.';
    case 'element':
      return job.elements.get(bar.id)?.kind === 'tree'
        ? `No trench goes so near to the trunk of ${nameOf(job, bar.id)}.`
        : `No trench goes here: ${nameOf(job, bar.id)} is in the way.`;
  }
};

export function throughSaid(laid: Laid, found: Through | Bar): ThroughSaid {
  if (!('ways' in found)) {
    const said = barWords(laid, found);
    return { short: [said, ''], sentences: [said], canGo: false };
  }
  const { job, standing } = laid;
  const { units } = headOf(job);
  const { id, more, longer, pitch, cover, meets } = found;
  const isSame = Math.abs(more) < ABOUT * standing.asked;
  const change = dearer(more, standing.currency);
  const far = text(showLength(Math.abs(longer), units));
  const isMark = elementOf(job, 'run', id) === undefined;
  const price = isSame ? 'about as much' : `about ${change.slice(1)} ${more > 0 ? 'more' : 'less'}`;
  const lies = [
    ...(pitch === null ? [] : [pitch > 0 ? `falls ${text(showPitch(pitch))}` : 'does not fall']),
    ...(cover === null ? [] : [`has ${text(showSmall(cover, units))} of ground over it here`]),
  ];
  return {
    short: [isSame ? '±0' : change, pitch === null ? '' : text(showPitch(pitch))],
    sentences: [
      `${nameOf(job, id)} ${isMark ? 'here' : 'through here'} costs ${price}.`,
      `It is ${far} ${longer < 0 ? 'shorter' : 'longer'}${lies.length > 0 ? `, ${lies.join(' and ')}` : ''}, as far as its ends stay as deep as they are.`,
      ...(meets.length > 0 ? [`It meets ${meets.map((each) => nameOf(job, each)).join(', ')}.`] : []),
    ],
    canGo: true,
  };
}
