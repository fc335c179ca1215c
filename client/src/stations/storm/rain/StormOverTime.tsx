/** Watch it rain on this yard: the storm told as it goes, and played back under a thumb. */
import { rainOf } from '@katabasis/core';
import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import type { Askable, AskedStorm } from '../../../planning/storm.worker';
import { askable as asksOf, runStorm, type StormSoFar } from '../../../planning/storms';
import { useJob } from '../../../planning/useJob';
import { useWorked } from '../../../planning/useWorked';
import { useWide } from '../../../theme/theme';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Mark } from '../../../ui/Mark';
import { Text } from '../../../ui/Text';
import { RainBars } from './RainBars';
import { StormChoices } from './StormChoices';
import { StormPicture } from './StormPicture';
import { StormRows } from './StormRows';
import { USUAL_STORM } from './usual';
import { WhatFailsFirst } from './WhatFailsFirst';

/** After the rain, s. */
const AFTER = 3600;
/** Between two storms on one day, s. */
const PAUSE = 6 * 3600;
/** How long a storm is followed, s. */
const lengthOf = ({ length, again }: AskedStorm): number => (again ? 2 * length + PAUSE : length) + AFTER;
/** Between two pictures as it plays, ms. */
const BEAT = 120;
/** Water this near to a sill is too near, m: half an inch. */
const CLOSE = 0.0127;

export function StormOverTime({ onGo }: { onGo: (id: string) => void }) {
  const { job } = useJob();
  const wide = useWide();
  const [asked, setAsked] = useState(USUAL_STORM);
  const [lost, setLost] = useState<string | null>(null);
  const told = (error: unknown): void => setLost(error instanceof Error ? error.message : String(error));
  const asks = useWorked<Askable>([job], async (_, give) => give(await asksOf(job)));
  const storm = useWorked<StormSoFar>([job, asked], (signal, give) =>
    runStorm(job, asked, signal, give).catch((error: unknown) => {
      if (!signal.aborted) told(error);
    }),
  );
  const frames = storm?.frames ?? NONE;
  const { shown, setAt, plays, setPlays } = usePlayback(frames);
  if (lost !== null) return <Text role="status">{lost}</Text>;
  if (!storm || frames.length === 0) return <Text role="status">It begins to rain.</Text>;
  const { outcome, share } = storm;
  const frame = frames[shown]!;
  const ask = (next: AskedStorm): void => {
    setPlays(false);
    setAt(null);
    setAsked(next);
  };
  const rarer = `${rainOf(job)?.openings?.returnPeriod ?? ''}-year rain`;
  return (
    <View style={{ gap: SPACE.l }} testID="storm-over-time">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }} aria-live="polite">
        <Mark kind={outcome ? markOf(outcome.doors) : 'mind'} size={28} />
        <View style={{ flex: 1 }}>
          <Text kind="heading" testID="storm-sentence">
            {outcome ? outcome.sentence : `It rains: ${Math.round(share * 100)}% of the storm is worked out.`}
          </Text>
        </View>
      </View>
      <View style={wide ? { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' } : { gap: SPACE.l }}>
        <View style={{ gap: SPACE.m, flex: wide ? 1 : undefined, minWidth: 0 }}>
          {outcome && (
            <StormPicture
              frame={frame}
              grid={outcome.grid}
              landings={outcome.landings.map(({ id }) => id)}
              runs={outcome.runs.map(({ id }) => id)}
              onTap={(id) => {
                const found = asks?.failures.find(({ failure }) => failure.id === id);
                const isFailing = asked.failing.some((each) => each.id === id);
                if (found) ask({ ...asked, failing: isFailing ? [] : [found.failure] });
              }}
            />
          )}
          <Player {...{ frames, shown, plays, setAt, setPlays }} length={lengthOf(asked)} />
        </View>
        <View style={{ gap: SPACE.l, flex: wide ? 1 : undefined, minWidth: 0 }}>
          {asks && <StormChoices asked={asked} askable={asks} rarer={rarer} onAsk={ask} />}
          {outcome && <StormRows outcome={outcome} frame={frame} onGo={onGo} />}
          <WhatFailsFirst onShow={ask} />
          {outcome && outcome.grid === null && (
            <Text kind="small">No ground is measured here: what runs over it, and where it stands, is not told.</Text>
          )}
        </View>
      </View>
    </View>
  );
}

/** Its bars and what plays it. */
function Player({
  frames,
  shown,
  plays,
  setAt,
  setPlays,
  length,
}: Playback & { frames: StormSoFar['frames']; length: number }) {
  return (
    <>
      <RainBars
        rains={frames.map(({ rain }) => rain)}
        times={frames.map(({ time }) => time)}
        length={length}
        at={shown}
        onAt={(next) => {
          setPlays(false);
          setAt(next);
        }}
      />
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <Button
          label={plays ? 'Pause' : 'Play'}
          icon={plays ? Pause : Play}
          kind="main"
          onPress={() => {
            if (!plays && shown >= frames.length - 1) setAt(0);
            setPlays(!plays);
          }}
          testID="storm-play"
        />
      </View>
    </>
  );
}

const NONE: StormSoFar['frames'] = [];

interface Playback {
  /** Picture that is shown. */
  shown: number;
  setAt: (at: number | null) => void;
  plays: boolean;
  setPlays: (plays: boolean) => void;
}

/** Which picture stands, and its going on by itself. Where nobody has put it, it stands at the hardest of the storm. */
function usePlayback(frames: StormSoFar['frames']): Playback {
  const [at, setAt] = useState<number | null>(null);
  const [plays, setPlays] = useState(false);
  const last = frames.length - 1;
  useEffect(() => {
    if (!plays || last < 0) return;
    const timer = setInterval(() => {
      setAt((now) => {
        const next = (now ?? -1) + 1;
        if (next <= last) return next;
        setPlays(false);
        return last;
      });
    }, BEAT);
    return () => clearInterval(timer);
  }, [plays, last]);
  return { shown: Math.max(0, Math.min(last, at ?? hardest(frames))), setAt, plays, setPlays };
}

/** The picture with most water over inlets and ground. */
function hardest(frames: StormSoFar['frames']): number {
  const water = frames.map(({ depths, ground }) => {
    let sum = 0;
    for (const depth of depths) sum += depth * 1000;
    if (ground) for (const depth of ground) sum += depth;
    return sum;
  });
  return water.indexOf(Math.max(...water));
}

function markOf(doors: readonly { margin: number | null }[]): 'holds' | 'fix' | 'mind' {
  const margins = doors.flatMap(({ margin }) => (margin === null ? [] : [margin]));
  const least = Math.min(...margins);
  return least < 0 ? 'fix' : least < CLOSE ? 'mind' : 'holds';
}
