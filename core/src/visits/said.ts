/** What a visit is told: of what it is, what the plan gives for the same, and whether what was found is as planned. */
import { AS_PLANNED } from '../field/asLaid';
import { headOf, nameOf, type Job } from '../job/job';
import type { TestOf, Visit } from '../job/kinds';
import { showFlow, showLength, showLevel, showPitch, showSmall, text, type UnitSystem } from '../units';
import { storeOf } from '../works/store';
import { drainingOf } from './draining';
import { fitPit } from './drainDown';
import { jarsSentence } from './jars/words';
import { listed, showGrit, showPace, showRainDepth, watch } from './figures';
import { readPitch } from './pitch';
import type { Told, VisitSaid } from './visitSaid';
import { sayHose, times } from './saidHose';
import { flowOf, HELD } from './visitTests';

/** What is told of a visit by the plan as it is now. */
export function sayVisit(job: Job, plan: Told, { test }: Pick<Visit, 'test'>): VisitSaid {
  const { units } = headOf(job);
  switch (test.type) {
    case 'hose':
      return sayHose(job, plan, test, units);
    case 'drainDown':
      return sayDrainDown(job, plan, test, units);
    case 'hold':
      return sayHold(job, test, units);
    case 'pitch':
      return sayPitch(job, plan, test, units);
    case 'levels':
      return sayLevels(job, plan, test, units);
    case 'camera':
      return sayCamera(job, plan, test, units);
    case 'rain':
      return {
        of: `Rain of ${text(showRainDepth(test.depth, units))} in ${watch(test.hours * 3600)}`,
        asPlanned: null,
        expects: '',
        sentence:
          test.stood.length === 0
            ? 'Nothing is said to have stood anywhere.'
            : `${listed(
                test.stood.map(({ at, depth }) => `${nameOf(job, at)}: ${text(showSmall(depth, units))}`),
                '; ',
              )}.`,
      };
    case 'clean':
      return sayClean(job, plan, test, units);
    case 'jars':
      return { of: 'Jars side by side', asPlanned: null, expects: '', sentence: jarsSentence(test.tries) };
    case 'look':
      return { of: 'A look', asPlanned: null, expects: '', sentence: 'Looked at.' };
  }
}

function sayDrainDown(job: Job, plan: Told, test: TestOf<'drainDown'>, units: UnitSystem): VisitSaid {
  const of = `Drain-down of ${nameOf(job, test.of)}`;
  const draining = drainingOf(job, plan, test.of);
  if (!draining)
    return {
      of,
      asPlanned: null,
      expects: '',
      sentence: 'It holds no water that soaks away: the plan says nothing to it.',
    };
  const fit = fitPit(draining.pit, test.readings);
  const planned = text(showPace(draining.conductivity, units));
  const expects = `The plan counts on soil that takes ${planned}.`;
  if ('sentence' in fit) return { of, asPlanned: null, expects, sentence: fit.sentence };
  const [low, high] = [text(showPace(fit.low, units)), text(showPace(fit.high, units))];
  const found = `The soil takes ${text(showPace(fit.conductivity, units))} (${low} to ${high})`;
  const asPlanned = fit.high >= draining.conductivity;
  const sentence = asPlanned
    ? `As planned, or faster. ${found}.`
    : `Slow. ${found}, ${times(draining.conductivity / fit.conductivity)} slower than the plan counts on.`;
  return { of, asPlanned, expects, sentence, low: fit.low, high: fit.high };
}

function sayHold(job: Job, { run, drop, seconds }: TestOf<'hold'>, units: UnitSystem): VisitSaid {
  const held = drop <= HELD;
  const fell = `It fell ${text(showSmall(drop, units))} in ${watch(seconds)}`;
  return {
    of: `${nameOf(job, run)}, plugged and filled`,
    asPlanned: held,
    expects: `Its water stays where it is: no more than ${text(showSmall(HELD, units))} down.`,
    sentence: held ? `It holds. ${fell}.` : `It leaks. ${fell}: look at its joints, the lowest first.`,
  };
}

function sayPitch(job: Job, plan: Told, { run, stick, pitches }: TestOf<'pitch'>, units: UnitSystem): VisitSaid {
  const of = `Pitch of ${nameOf(job, run)}`;
  const planned = plan.runs[run]?.pitch;
  const mean = pitches.reduce((sum, each) => sum + each, 0) / pitches.length;
  if (planned === undefined)
    return { of, asPlanned: null, expects: '', sentence: `${text(showPitch(mean))} in the mean.` };
  const read = readPitch(planned, pitches);
  const at = (k: number): string =>
    `${text(showLength(k * stick, units))} to ${text(showLength((k + 1) * stick, units))}`;
  const where = (list: readonly number[]): string =>
    list.slice(0, 4).map(at).join(', ') + (list.length > 4 ? ' and on' : '');
  const parts = [
    ...(read.back.length > 0 ? [`It falls back ${where(read.back)} up from its foot.`] : []),
    ...(read.flat.length > 0 ? [`Flat ${where(read.flat)} up from its foot.`] : []),
    `${text(showPitch(read.mean))} in the mean of ${pitches.length} ${pitches.length === 1 ? 'stick' : 'sticks'}.`,
  ];
  return {
    of,
    asPlanned: read.asPlanned,
    expects: `The plan asks for ${text(showPitch(planned))}.`,
    sentence: `${read.asPlanned ? 'As planned. ' : ''}${parts.join(' ')}`,
  };
}

function sayLevels(job: Job, plan: Told, { read }: TestOf<'levels'>, units: UnitSystem): VisitSaid {
  const known = read.flatMap(({ at, level }) => {
    const invert = plan.landings[at]?.invert;
    return invert === null || invert === undefined ? [] : [{ at, level, off: level - invert }];
  });
  const of = `Levels read again at ${listed(
    read.map(({ at }) => nameOf(job, at)),
    ', ',
    2,
  )}`;
  const bad = known.filter(({ off }) => Math.abs(off) > AS_PLANNED);
  const told = bad.map(
    ({ at, off }) =>
      `${nameOf(job, at)} lies ${text(showSmall(Math.abs(off), units))} too ${off > 0 ? 'high' : 'low'}.`,
  );
  return {
    of,
    asPlanned: known.length === 0 ? null : bad.length === 0,
    expects: known.map(({ at, level, off }) => `${nameOf(job, at)}: ${text(showLevel(level - off, units))}.`).join(' '),
    sentence: told.length > 0 ? listed(told, ' ') : known.length > 0 ? 'As planned.' : 'The plan has no level there.',
  };
}

const MET_WORDS = {
  stopped: 'it is stopped',
  standing: 'water stands',
  openJoint: 'a joint is open',
  rough: 'it is silted or full of roots',
  nothing: 'nothing out of the way',
} as const;

function sayCamera(job: Job, plan: Told, { run, met }: TestOf<'camera'>, units: UnitSystem): VisitSaid {
  const length = plan.runs[run]?.length;
  const bad = met.filter(({ found }) => found !== 'nothing');
  const past = length === undefined ? undefined : met.find(({ along }) => along > length + 0.5);
  const parts = bad.map(
    ({ along, found, note }) => `At ${text(showLength(along, units))} ${MET_WORDS[found]}${note ? `: ${note}` : ''}.`,
  );
  if (past)
    parts.push(
      `The pipe is ${text(showLength(length!, units))} long by the plan: ${text(showLength(past.along, units))} lies in the next one.`,
    );
  return {
    of: `Camera or rod in ${nameOf(job, run)}`,
    asPlanned: bad.length === 0,
    expects: length === undefined ? '' : `${text(showLength(length, units))} of open pipe.`,
    sentence: parts.length > 0 ? listed(parts, ' ') : 'Open all along.',
  };
}

function sayClean(job: Job, plan: Told, { sumps }: TestOf<'clean'>, units: UnitSystem): VisitSaid {
  const told = sumps.map(({ at, grit, leaves }) => {
    const inlet = plan.inlets[at];
    const holds = inlet?.kind === 'basin' ? inlet.sump : null;
    const share = holds && holds > 0 ? `, ${Math.round((grit / holds) * 100)}% of its sump` : '';
    return `${nameOf(job, at)}: ${text(showGrit(grit, units))} of grit${share}${leaves ? ', leaves on its grate' : ''}`;
  });
  return { of: 'Cleaned', asPlanned: null, expects: '', sentence: `${listed(told, '; ')}.` };
}

/** What keeps its water until it has soaked away, of a job. */
export const drains = (job: Job): { id: string; name: string }[] =>
  job.elements.all.flatMap((element) =>
    element.kind === 'discharge' && storeOf(element) ? [{ id: element.id, name: element.name }] : [],
  );

/** The flow of a bucket, as it is said while it is typed. */
export const bucketSays = (job: Job, bucket: { volume: number; seconds: number }): string =>
  text(showFlow(flowOf(bucket), headOf(job).units));
