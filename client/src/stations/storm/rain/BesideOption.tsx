/** Another option of the job in the same storm, on the same scrubber: its picture at the same time, and the difference at each door. */
import { changed, nameOf, ofKind, optionName, showSmall, takeOption, text, type Job } from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { AskedStorm } from '../../../planning/askedStorm';
import { planHere } from '../../../planning/planner';
import type { StormOutcome } from '../../../planning/storm.worker';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Choice } from '../../../ui/Choice';
import { Text } from '../../../ui/Text';
import { StormPicture } from './StormPicture';
import { useStorm } from './useStorm';

const NONE = 'none';

interface Props {
  asked: AskedStorm;
  /** s of the picture that is shown. */
  time: number;
  outcome: StormOutcome | null;
}

export function BesideOption({ asked, time, outcome }: Props) {
  const { job } = useJob();
  const [beside, setBeside] = useState(NONE);
  const options = ofKind(job, 'variant');
  if (options.length === 0) return null;
  const option = options.find(({ id }) => id === beside);
  return (
    <View style={{ gap: SPACE.m }} testID="storm-beside">
      <Choice
        label={`Beside ${optionName(job)}`}
        value={beside}
        options={[{ value: NONE, label: 'Nothing' }, ...options.map(({ id, name }) => ({ value: id, label: name }))]}
        onChoose={setBeside}
      />
      {option && <Other key={option.id} option={option} asked={asked} time={time} outcome={outcome} />}
    </View>
  );
}

function Other({ option, asked, time, outcome }: Props & { option: ReturnType<typeof ofKind<'variant'>>[number] }) {
  const { job } = useJob();
  const taken = useMemo(() => takeOption(job, option), [job, option]);
  const other = useMemo(() => (taken.ok ? changed(job, taken.change) : null), [job, taken]);
  if (!taken.ok || !other) return <Text tone="stop">{taken.ok ? '' : taken.sentence}</Text>;
  return <Storm name={option.name} other={other} asked={asked} time={time} outcome={outcome} />;
}

function Storm({ name, other, asked, time, outcome }: Props & { name: string; other: Job }) {
  const { job, units } = useJob();
  const plan = useMemo(() => planHere(other), [other]);
  const { storm, refused } = useStorm(other, asked);
  if (refused !== null) return <Text>{refused}</Text>;
  if (!storm) return <Text role="status">It begins to rain on {name}.</Text>;
  const frame = storm.frames.reduce((best, each) =>
    Math.abs(each.time - time) < Math.abs(best.time - time) ? each : best,
  );
  const small = (metres: number): string => text(showSmall(metres, units));
  const its = storm.outcome;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">{its ? `${name}: ${its.sentence}` : `${name}: ${Math.round(storm.share * 100)}%`}</Text>
      <StormPicture job={other} plan={plan} frame={frame} seen={storm.seen} testID="storm-picture-beside" />
      {its &&
        outcome?.doors.map(({ id, margin }) => {
          const then = its.doors.find((door) => door.id === id);
          if (!then) return <Text key={id}>{`${nameOf(job, id)} is not in ${name}.`}</Text>;
          if (margin === null && then.margin === null) return null;
          const says =
            then.margin === null
              ? 'no water comes to it here'
              : margin === null
                ? `water comes to ${small(then.margin)} of its sill only here`
                : Math.abs(then.margin - margin) < SAME
                  ? 'as near in both'
                  : `water stays ${small(Math.abs(then.margin - margin))} ${then.margin > margin ? 'lower' : 'higher'} here`;
          return <Text key={id}>{`${nameOf(job, id)}: ${says}.`}</Text>;
        })}
    </View>
  );
}

/** Less than so is no difference, m. */
const SAME = 0.001;
