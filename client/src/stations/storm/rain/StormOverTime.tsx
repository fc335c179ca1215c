/** Watch it rain on this yard: the storm told as it goes, and played back under a thumb. */
import { rainOf } from '@katabasis/core';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { useNoted } from '../../../input/useNoted';
import { askedStorm, USUAL_STORM, type AskedStorm } from '../../../planning/askedStorm';
import type { Askable, StormOutcome } from '../../../planning/storm.worker';
import { askable as asksOf, type StormSoFar } from '../../../planning/storms';
import { useJob } from '../../../planning/useJob';
import { useWorked } from '../../../planning/useWorked';
import { useWide } from '../../../theme/theme';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Mark } from '../../../ui/Mark';
import { Text } from '../../../ui/Text';
import { BesideOption } from './BesideOption';
import { Cures } from './Cures';
import { Player } from './Player';
import { StormChoices } from './StormChoices';
import { StormPicture } from './StormPicture';
import { StormRows } from './StormRows';
import { beginnings, StormSection } from './StormSection';
import { usePlayback, type Playback } from './usePlayback';
import { useStorm } from './useStorm';
import { EveryFailure } from './EveryFailure';

/** Water this near to a sill is too near, m: half an inch. */
const CLOSE = 0.0127;
const NONE: StormSoFar['frames'] = [];

export function StormOverTime({ onGo }: { onGo: (id: string) => void }) {
  const { job } = useJob();
  const wide = useWide();
  const [kept, setAsked] = useNoted(`storm ${job.id}`, askedStorm, USUAL_STORM);
  const asks = useWorked<Askable>([job], async (_, give) => give(await asksOf(job)));
  const asked = useMemo(() => onlyThere(kept, asks), [kept, asks]);
  const { storm, refused, stop } = useStorm(job, asked);
  const playback = usePlayback(storm?.frames ?? NONE);
  // The picture follows the thumb; rows and section come after it.
  const later = Math.min(useDeferredValue(playback.shown), Math.max(0, (storm?.frames.length ?? 1) - 1));
  const [chosen, setChosen] = useState<string | null>(null);
  const outcome = storm?.outcome ?? null;
  const ask = (next: AskedStorm): void => {
    playback.setPlays(false);
    playback.setAt(null);
    setAsked(() => next);
  };
  const fail = (id: string): void => {
    const found = asks?.failures.find(({ failure }) => failure.id === id)?.failure;
    if (!found) return;
    const others = asked.failing.filter((each) => each.id !== id);
    ask({ ...asked, failing: others.length < asked.failing.length ? others : [...others, found] });
  };
  const { setAt, setPlays } = playback;
  const choose = useCallback(
    (id: string, at: number | null): void => {
      setChosen((now) => (id === now || id === '' ? null : id));
      if (at === null || !storm) return;
      setPlays(false);
      setAt(nearest(storm.frames, at));
    },
    [storm, setAt, setPlays],
  );
  const rarer = `${rainOf(job)?.openings?.returnPeriod ?? ''}-year rain`;
  return (
    <View style={{ gap: SPACE.l }} testID="storm-over-time">
      <Said storm={storm} refused={refused} onStop={stop} />
      <View style={wide ? { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' } : { gap: SPACE.l }}>
        <View style={{ gap: SPACE.m, flex: wide ? 1 : undefined, minWidth: 0 }}>
          {storm && <Watched storm={storm} playback={playback} later={later} ringed={chosen} onTap={fail} />}
        </View>
        <View style={{ gap: SPACE.l, flex: wide ? 1 : undefined, minWidth: 0 }}>
          {asks && (
            <StormChoices asked={asked} askable={asks} rarer={rarer} length={storm?.seen.length ?? 0} onAsk={ask} />
          )}
          {outcome && <Remarks outcome={outcome} />}
          {outcome && storm && (
            <StormRows
              outcome={outcome}
              frames={storm.frames}
              shown={later}
              chosen={chosen}
              onChoose={choose}
              onGo={onGo}
            />
          )}
          {outcome && wantsCure(outcome) && <Cures asked={asked} />}
          <EveryFailure onShow={ask} />
          {storm && <BesideOption asked={asked} time={storm.frames[playback.shown]!.time} outcome={outcome} />}
        </View>
      </View>
    </View>
  );
}

/** A storm without what fails in it and is no longer there: it was asked for on another day. */
function onlyThere(asked: AskedStorm, asks: Askable | undefined): AskedStorm {
  const isThere = ({ kind, id }: AskedStorm['failing'][number]): boolean =>
    asks === undefined || asks.failures.some(({ failure }) => failure.kind === kind && failure.id === id);
  return asked.failing.every(isThere) ? asked : { ...asked, failing: asked.failing.filter(isThere) };
}

const nearest = (frames: StormSoFar['frames'], time: number): number =>
  frames.reduce((best, each, k) => (Math.abs(each.time - time) < Math.abs(frames[best]!.time - time) ? k : best), 0);

/** The storm in one sentence; while it is worked out how far it is. */
function Said({ storm, refused, onStop }: { storm: StormSoFar | null; refused: string | null; onStop: () => void }) {
  const outcome = storm?.outcome ?? null;
  const says =
    refused ??
    (!storm
      ? 'It begins to rain.'
      : outcome
        ? outcome.sentence
        : `It rains: ${Math.round(storm.share * 100)}% of the storm is worked out.`);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }} aria-live="polite">
      <Mark kind={outcome ? markOf(outcome) : 'mind'} size={28} />
      <View style={{ flex: 1 }}>
        <Text kind="heading" testID="storm-sentence">
          {says}
        </Text>
      </View>
      {storm && !outcome && refused === null && (
        <Button label="Stop here" kind="line" onPress={onStop} testID="storm-stop" />
      )}
    </View>
  );
}

interface WatchedProps {
  storm: StormSoFar;
  playback: Playback;
  /** Picture that what comes after the thumb shows. */
  later: number;
  ringed: string | null;
  onTap: (id: string) => void;
}

/** The picture, its bars, and the long section at the same time. */
function Watched({ storm, playback, later, ringed, onTap }: WatchedProps) {
  const { job, plan } = useJob();
  const frame = storm.frames[playback.shown]!;
  const starts = beginnings(plan);
  const [from, setFrom] = useState<string | null>(null);
  const begins = from !== null && starts.includes(from) ? from : starts[0];
  return (
    <>
      <StormPicture job={job} plan={plan} frame={frame} seen={storm.seen} ringed={ringed} onTap={onTap} />
      <Player storm={storm} playback={playback} />
      {begins !== undefined && (
        <StormSection frame={storm.frames[later]!} seen={storm.seen} from={begins} onFrom={setFrom} />
      )}
    </>
  );
}

/** What is to be known of it: how the rain was read, where plan and storm disagree, and what no storm can tell here. */
function Remarks({ outcome }: { outcome: StormOutcome }) {
  const { told, disagreements, grid } = outcome;
  return (
    <>
      {told.map((each) => (
        <Text key={each}>{each}</Text>
      ))}
      {disagreements.map(({ id, sentence }) => (
        <View key={id} style={{ flexDirection: 'row', gap: SPACE.m }} testID="storm-disagrees">
          <Mark kind="mind" size={22} />
          <View style={{ flex: 1 }}>
            <Text>{sentence}</Text>
          </View>
        </View>
      ))}
      {grid === null && (
        <Text kind="small">No ground is measured here: what runs over it, and where it stands, is not told.</Text>
      )}
    </>
  );
}

function markOf({ doors }: StormOutcome): 'holds' | 'fix' | 'mind' {
  const least = Math.min(...doors.flatMap(({ margin }) => (margin === null ? [] : [margin])));
  return least < 0 ? 'fix' : least < CLOSE ? 'mind' : 'holds';
}

/** Water is near a sill, or stands deeper over an inlet than is allowed. */
const wantsCure = (outcome: StormOutcome): boolean =>
  markOf(outcome) !== 'holds' || outcome.landings.some(({ secondsOver }) => secondsOver > 0);
