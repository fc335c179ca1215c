import { letsInto, OUTFALLS } from '../../catalogue/outfalls';
import { elementOf } from '../../job/job';
import type { Rule } from '../snag';
import { reached } from '../ends';
import { each } from '../each';

/** A line that is to run on through a channel drain of which nobody said which. */
export const channelUnsaid: Rule = {
  code: 'channelUnsaid',
  find: (job, { ends }) =>
    each(reached(job, ends), (out) =>
      OUTFALLS[out.form].inChannel && !elementOf(job, 'channel', letsInto(out) ?? '')
        ? { code: 'channelUnsaid', severity: 'stop', at: out.id, measure: 'length', figure: 0, limit: 0 }
        : null,
    ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is to run into a channel drain, and nobody said which.`,
    why: 'What comes in at the head of a channel runs the whole of it: it must carry that besides its own.',
    instead: 'Choose the channel drain on its sheet.',
  }),
};

/** A pipe that is larger than the channel drain is deep where it comes in. */
export const pipeOverChannel: Rule = {
  code: 'pipeOverChannel',
  find: (job, { ends, runs }) =>
    each(ends, ({ discharge, run }) => {
      const out = elementOf(job, 'discharge', discharge)!;
      const channel = OUTFALLS[out.form].inChannel ? elementOf(job, 'channel', letsInto(out) ?? '') : undefined;
      if (!channel) return null;
      const { diameter } = runs[run]!;
      const room = Math.max(0, out.groundLevel - OUTFALLS[out.form].control(out, { popupLift: 0 }));
      if (diameter <= room + 1e-9) return null;
      return {
        code: 'pipeOverChannel',
        severity: 'stop',
        at: run,
        other: channel.id,
        measure: 'small',
        figure: diameter,
        limit: room,
      };
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is ${say.show('small', snag.figure)} inside, and ${say.name(snag.other!)} ${say.show('small', snag.limit)} deep where it comes in.`,
    why: 'The pipe would stand over the grate. A channel that falls inside is shallowest at its upper end.',
    instead:
      'A deeper channel, a narrower pipe or two of them side by side, or the pipe joined to the channel’s own line below.',
  }),
};
