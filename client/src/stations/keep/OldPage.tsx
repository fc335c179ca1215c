/** An old system that another laid: what nobody knows of it, in how many of the ways that it may lie it holds, and what to look at next. */
import { elementOf, nameOf, ofKind } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { tellOld, type OldTold } from '../../planning/storms';
import { useJob } from '../../planning/useJob';
import { useWorked } from '../../planning/useWorked';
import { SPACE } from '../../theme/tokens';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { useGo } from '../useGo';
import { KeepRow } from './KeepRow';

export function OldPage() {
  const { job } = useJob();
  const [share, setShare] = useState(0);
  const hasOld = ofKind(job, 'run').some(({ old }) => old?.fate === 'kept');
  const told = useWorked<OldTold | null>([job.elements], async (signal, give) => {
    give(await tellOld(job, { signal }, setShare));
  });
  if (!hasOld)
    return (
      <Text>
        No pipe here was laid by another: say so of one on its sheet, and what is not known of it stands here.
      </Text>
    );
  if (!told)
    return <Text tone="soft">Planning every way that it may lie: {Math.round(share * 100)}\u00a0% of them.</Text>;
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' }} role="status" testID="old-stands">
        <Mark kind={told.worst === null ? 'holds' : 'fix'} size={24} />
        <View style={{ flex: 1, gap: SPACE.xs }}>
          <Text kind="strong">{told.stands}</Text>
          {told.worst !== null && (
            <Text>
              {told.holds > 0 ? 'Else most often: ' : ''}
              {told.worst}
            </Text>
          )}
        </View>
      </View>
      <NotKnown told={told} />
      <LookNext told={told} />
    </View>
  );
}

function NotKnown({ told }: { told: OldTold }) {
  const { job } = useJob();
  const go = useGo();
  const runs = [...new Set(told.unknown.map(({ run }) => run))];
  if (runs.length === 0) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">What nobody knows</Text>
      <View>
        {runs.map((run) => (
          <KeepRow
            key={run}
            mark="empty"
            title={nameOf(job, run)}
            about={told.unknown
              .filter((each) => each.run === run)
              .map(({ says }) => `${says}.`)
              .join(' ')}
            onPress={() => go('keep', run)}
            testID={`unknown-${run}`}
          />
        ))}
      </View>
      <Text kind="small">
        How likely each is, is our own reckoning: a bit more than half of old pipes are sound, and half of guesses
        right.
      </Text>
    </View>
  );
}

function LookNext({ told }: { told: OldTold }) {
  const { job } = useJob();
  const go = useGo();
  if (told.looks.length === 0)
    return told.unknown.length > 0 ? (
      <Text>No single look would change what is told: build as the plan says.</Text>
    ) : null;
  const openLook = ({ kind, run }: OldTold['looks'][number]): void => {
    if (kind === 'camera') return go('keep', '~new-camera');
    if (kind === 'levels') return go('keep', '~new-levels');
    if (kind === 'hose') return go('keep', `~hose-${elementOf(job, 'run', run)!.from}`);
    return go('keep', run);
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Look next, the best for its time first</Text>
      <View>
        {told.looks.map((look) => (
          <KeepRow
            key={`${look.kind} ${look.run}`}
            title={look.title}
            about={look.about}
            onPress={() => openLook(look)}
            testID={`look-${look.kind}`}
          />
        ))}
      </View>
    </View>
  );
}
