/** One hose test, by thumb: water on, it shows, how long the bucket took; what should be seen stands beside it from the start. */
import { freshId, nameOf, put, type Visit } from '@katabasis/core';
import {
  expectHose,
  hoseExpects,
  keepVisit,
  lastBucket,
  openHose,
  wayDown,
  watch,
  type WayDown,
} from '@katabasis/core/visits';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { watchEntry } from '../../input/measuredEntry';
import { without } from '../../input/without';
import { sharedNow } from '../../sync/device/serverClock';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { useGo } from '../useGo';
import { Bucket } from './Bucket';
import { BigButton } from './BigButton';
import { useRunningClock } from './useRunningClock';

/** A usual garden hose, m³/s, as long as nobody has measured this one: 6 gpm. */
const USUAL = 0.00038;
const NOWHERE = 'nowhere';

type HoseVisit = Visit & { test: Extract<Visit['test'], { type: 'hose' }> };
const isHose = (visit: Visit | undefined): visit is HoseVisit => visit?.test.type === 'hose';

export function HosePage({ landing }: { landing: string }) {
  const { job, plan, edit } = useJob();
  const [wrong, setWrong] = useState<string | null>(null);
  const way = useMemo(() => wayDown(job, plan, landing), [job, plan, landing]);
  const open = openHose(job, landing);
  const visit = isHose(open) ? open : null;
  const bucket = visit?.test.bucket ?? lastBucket(job) ?? undefined;
  const name = nameOf(job, landing);
  const begin = (): void => {
    const at = new Date(sharedNow()).toISOString();
    const test = { type: 'hose' as const, into: landing, running: at, ...(bucket ? { bucket } : {}) };
    setWrong(edit(put(`Water on at ${name}`, { id: freshId('visit'), kind: 'visit', at, test })));
  };
  if (!job.elements.get(landing))
    return <Text>This is not here any more. What was tested of it stands among the visits.</Text>;
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <Expected way={way} flow={bucket ? bucket.volume / bucket.seconds : null} />
      {visit ? (
        <Begun key={visit.id} visit={visit} way={way} onWrong={setWrong} />
      ) : (
        <BigButton label="Water on" onPress={begin} testID="water-on" />
      )}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}

/** What should be seen, of the hose as it was measured last, or of a usual one. */
function Expected({ way, flow }: { way: WayDown | null; flow: number | null }) {
  const { job } = useJob();
  const says = useMemo(() => {
    if (!way) return 'No pipe leads from here to a way out: the plan says nothing to it.';
    if (way.soaks) return 'Its pipe has holes: how much of the water soaks away on the way, no plan can say.';
    return hoseExpects(job, way, flow ?? USUAL, expectHose(way, flow ?? USUAL));
  }, [job, way, flow]);
  return (
    <View style={{ gap: SPACE.xs }} testID="hose-expects">
      <Text kind="small">{flow === null ? 'To be seen, of a usual hose' : 'To be seen'}</Text>
      <Text kind="strong">{says}</Text>
      {way && (
        <Text kind="small">
          Nine times of ten, with what a bucket, a watch and a pipe’s walls leave open. Before the trench is covered is
          the best time.
        </Text>
      )}
    </View>
  );
}

interface BegunProps {
  visit: HoseVisit;
  way: WayDown | null;
  onWrong: (sentence: string | null) => void;
}

function Begun({ visit, way, onWrong }: BegunProps) {
  const { job, plan, edit } = useJob();
  const go = useGo();
  const { test } = visit;
  const clock = useRunningClock(test.running);
  const set = (label: string, next: HoseVisit['test']): string | null => edit(put(label, { ...visit, test: next }));
  const stop = (as: 'shows' | 'waited'): void => {
    const seconds = Math.max(0.1, Math.round((clock?.seconds ?? 0) * 10) / 10);
    onWrong(
      set(as === 'shows' ? 'It shows' : 'Nothing showed', { ...without(test, 'running', undefined), [as]: seconds }),
    );
  };
  const done = (): void => {
    const refused = edit(keepVisit(job, plan, { ...visit, test: without(test, 'running', undefined) }));
    onWrong(refused);
    if (refused === null) go('keep', `~visit-${visit.id}`);
  };
  const mouths = [
    ...new Map((way?.landings ?? []).flatMap((each) => each.mouths).map((mouth) => [mouth.id, mouth])).values(),
  ];
  return (
    <View style={{ gap: SPACE.l }}>
      {clock ? (
        <Ticking
          seconds={clock.seconds}
          jumped={clock.jumped}
          onStop={stop}
          onByHand={() => onWrong(set('Stop the clock', without(test, 'running', undefined)))}
        />
      ) : (
        <Fields of={`${visit.id} time`}>
          <QuantityField
            label={test.waited !== undefined ? 'Nothing showed in' : 'It showed after'}
            value={test.waited ?? test.shows}
            {...watchEntry}
            optional
            onCommit={(seconds) =>
              set('Set the time', without(test, test.waited === undefined ? 'shows' : 'waited', seconds))
            }
            testID="hose-time"
          />
        </Fields>
      )}
      <Buckets visit={visit} onSet={set} />
      {mouths.length > 0 && (
        <Choice
          label="It came up on the way"
          value={test.up ?? NOWHERE}
          options={[
            { value: NOWHERE, label: 'Nowhere' },
            ...mouths.map(({ id }) => ({ value: id, label: nameOf(job, id) })),
          ]}
          onChoose={(at) => set('Say where it came up', without(test, 'up', at === NOWHERE ? undefined : at))}
        />
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        <Button label="Done" kind="main" disabled={clock !== null && !clock.jumped} onPress={done} testID="hose-done" />
        <Button
          label="Leave this test"
          kind="bare"
          onPress={() => void edit({ label: 'Leave a hose test', puts: [], removes: [visit.id] })}
        />
      </View>
    </View>
  );
}

interface BucketsProps {
  visit: HoseVisit;
  onSet: (label: string, next: HoseVisit['test']) => string | null;
}

/** How much goes in, and how much comes out. */
function Buckets({ visit, onSet }: BucketsProps) {
  const { job } = useJob();
  const { test } = visit;
  return (
    <Fields of={visit.id}>
      <Bucket
        label="At the hose"
        value={test.bucket}
        usual={lastBucket(job)?.volume}
        onTake={(filled) => onSet('Measure the hose', without(test, 'bucket', filled))}
        testID="bucket-in"
      />
      <Bucket
        label="At the end"
        value={test.end}
        usual={test.bucket?.volume}
        onTake={(filled) => onSet('Measure what comes out', without(test, 'end', filled))}
        testID="bucket-out"
      />
    </Fields>
  );
}

interface TickingProps {
  seconds: number;
  jumped: boolean;
  onStop: (as: 'shows' | 'waited') => void;
  onByHand: () => void;
}

function Ticking({ seconds, jumped, onStop, onByHand }: TickingProps) {
  if (jumped)
    return (
      <View style={{ gap: SPACE.s, alignItems: 'flex-start' }} role="alert">
        <Text tone="fix">
          The clock has jumped since the water was turned on, or the test was forgotten: what it says is no time of a
          test.
        </Text>
        <Button label="Put in the time by hand" onPress={onByHand} testID="by-hand" />
      </View>
    );
  return (
    <View style={{ gap: SPACE.m }}>
      <Text
        kind="hero"
        style={{ fontSize: 64, lineHeight: 72 }}
        testID="hose-clock"
        role="timer"
        aria-label={watch(seconds)}
      >
        {clockOf(seconds)}
      </Text>
      <BigButton label="It shows at the end" onPress={() => onStop('shows')} testID="it-shows" />
      <View style={{ flexDirection: 'row' }}>
        <Button label="Nothing shows: stop the clock" onPress={() => onStop('waited')} testID="nothing-shows" />
      </View>
      <Text kind="small">
        The clock goes on while this phone sleeps; whoever stands at the end may stop it on theirs.
      </Text>
    </View>
  );
}

/** 1:07, as a watch shows it. */
const clockOf = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;
