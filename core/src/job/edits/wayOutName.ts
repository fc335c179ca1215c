/** What a way out is called until somebody names it: by what takes its water, or by what it is. */
import { OUTFALLS, RECEIVING_FACTS, receivingOf } from '../../catalogue/outfalls';
import { elementOf, ofKind, type Job } from '../job';
import type { Discharge } from '../kinds';

type Out = Pick<Discharge, 'form' | 'receiving'>;

export function wayOutName({ form, receiving }: Out): string {
  const outfall = OUTFALLS[form];
  if (outfall.calledByName) return outfall.label;
  const called = outfall.called ?? RECEIVING_FACTS[receivingOf({ form, receiving })].called;
  const name = called.replace(/^the /, '');
  return name.charAt(0).toUpperCase() + name.slice(1);
}

/** A way out that lets its water out otherwise: under another name where it had the one that it was given, and under its own where it had one. */
export function otherwise(discharge: Discharge, next: Partial<Out>): Discharge {
  const after = { ...discharge, ...next };
  // Its number goes with it.
  const [given, number = ''] = /( \d+)?$/.exec(discharge.name) ?? [''];
  const own = discharge.name.slice(0, discharge.name.length - given.length);
  return own === wayOutName(discharge) ? { ...after, name: `${wayOutName(after)}${number}` } : after;
}

/** A way out in another form: what it was said to let out into stays only where that form lets out into such; of one channel drain nobody need be asked. */
export function letsOutAs(job: Job, discharge: Discharge, form: Discharge['form']): Discharge {
  const { into, ...after } = otherwise(discharge, { form });
  const kind = OUTFALLS[form].inChannel ? 'channel' : 'swale';
  const channels = ofKind(job, 'channel');
  const only = kind === 'channel' && channels.length === 1 ? channels[0]!.id : undefined;
  const led = into !== undefined && elementOf(job, kind, into) ? into : only;
  return led === undefined ? after : { ...after, into: led };
}
