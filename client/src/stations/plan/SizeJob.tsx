/** Sizes for the whole job at least cost, beside the next best, each with the verdict that it would bring. */
import { nameOf, showNominal, text, type Job, type JobSizing, type SizedJob, type Verdict } from '@katabasis/core';
import Ruler from 'lucide-react-native/icons/ruler';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { findSizes } from '../../planning/planner';
import { planWith } from '../../planning/planner';
import { useWorked } from '../../planning/useWorked';

const make = (palette: Palette) => ({
  choice: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.m, gap: SPACE.s },
});

export function SizeJob() {
  const { job, plan } = useJob();
  const [asked, setAsked] = useState<Job | null>(null);
  const wanted = asked === job;
  const sizing = useWorked<JobSizing | null>([job, wanted], async (signal, give) => {
    if (wanted) give(await findSizes(job, signal));
  });
  if (Object.keys(plan.runs).length === 0) return null;
  return (
    <View style={{ gap: SPACE.s }} role="region" aria-label="Sizes for the whole job">
      <Text kind="heading">Sizes for the whole job</Text>
      {sizing === undefined && (
        <>
          <Text>
            Sizes and pitch together, at the least pipe and digging: a larger pipe may run flatter, and none narrows on
            the way down.
          </Text>
          <View style={{ flexDirection: 'row' }}>
            {wanted ? (
              <Text role="status">Working them out.</Text>
            ) : (
              <Button label="Work out the sizes" icon={Ruler} onPress={() => setAsked(job)} testID="size-job" />
            )}
          </View>
        </>
      )}
      {sizing === null && (
        <Text>
          No sizes on offer bring all of the water to its way out: it needs more fall, less cover, or another way out.
        </Text>
      )}
      {sizing && <Choices sizing={sizing} />}
    </View>
  );
}

function Choices({ sizing }: { sizing: JobSizing }) {
  return (
    <View>
      <Choice title="Least" sized={sizing.best} testID="use-best" />
      {sizing.others.map((other, index) => (
        <Choice
          key={index}
          title={`Costs ${Math.max(1, Math.round((other.cost / sizing.best.cost - 1) * 100))}% more to buy and dig`}
          sized={other}
        />
      ))}
    </View>
  );
}

function Choice({ title, sized, testID }: { title: string; sized: SizedJob; testID?: string }) {
  const { job, edit, units } = useJob();
  const styles = useStyles(make);
  const verdict = useWorked<Verdict>([job, sized], async (signal, give) =>
    give((await planWith(job, sized.change, signal)).verdict),
  );
  const changed = Object.entries(sized.sizes).filter(([run, size]) => {
    const element = job.elements.get(run);
    return element?.kind === 'run' && Math.abs(element.nominal - size) > 1e-9;
  });
  const counts = new Map<string, number>();
  for (const size of Object.values(sized.sizes)) {
    const said = text(showNominal(size, units));
    counts.set(said, (counts.get(said) ?? 0) + 1);
  }
  return (
    <View style={styles.choice}>
      <Text kind="strong">
        {title}: {[...counts].map(([size, count]) => `${count} × ${size}`).join(', ')}
      </Text>
      <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
        {verdict && <Mark kind={verdict.state} />}
        <Text style={{ flex: 1 }}>{verdict?.sentence ?? 'What it comes to is being worked out.'}</Text>
      </View>
      <Text kind="small">
        {changed.length === 0
          ? 'As it is now, with pitches set where the flow needs them.'
          : changed.map(([run, size]) => `${text(showNominal(size, units))} for ${nameOf(job, run)}`).join(' · ')}
      </Text>
      {sized.replaces.length > 0 && (
        <Text kind="small">
          In place of what was set by hand: the {sized.replaces.length === 1 ? 'level or pitch' : 'levels or pitches'}{' '}
          of {sized.replaces.map((run) => nameOf(job, run)).join(', ')}.
        </Text>
      )}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Use these" onPress={() => edit(sized.change)} {...(testID ? { testID } : {})} />
      </View>
    </View>
  );
}
