/** A channel drain's other ways: open stone along the slab, and of one with several outlets a pipe for each. */
import { outletsApart, stoneInstead, type Channel } from '@katabasis/core';
import { useJob } from '../planning/useJob';
import { Instead } from './Instead';

export function ChannelInstead({ channel }: { channel: Channel }) {
  const { job, plan } = useJob();
  const level = plan.landings[channel.id]?.groundLevel ?? channel.groundLevel;
  return (
    <>
      {outletsApart(job, channel) && (
        <Instead
          label="A pipe for each of its outlets"
          change={() => outletsApart(job, channel)!}
          about={channel.id}
          on={[channel]}
          testID="outlets-apart"
        />
      )}
      <Instead
        label="An open stone drain instead"
        change={() => stoneInstead(channel, level)}
        about={channel.id}
        on={[channel, level]}
        testID="stone-instead"
      />
    </>
  );
}
