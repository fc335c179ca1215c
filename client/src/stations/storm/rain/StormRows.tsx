/** What a storm came to, thing by thing: doors, inlets and pipes, each a tap away from its own sheet; and where the water went. */
import { nameOf, showPercent, showSmall, showVolume, text } from '@katabasis/core';
import type { StormFrame } from '@katabasis/core/simulation';
import { View } from 'react-native';
import type { StormOutcome } from '../../../planning/storm.worker';
import { useJob } from '../../../planning/useJob';
import { Text } from '../../../ui/Text';
import { WordRow } from '../../../ui/WordRow';
import { clock } from './bands';

/** Water over an inlet that is worth a line, m; and how full a pipe is that is. */
const WORTH = 0.005;
const NEARLY_FULL = 0.8;

interface Props {
  outcome: StormOutcome;
  frame: StormFrame;
  onGo: (id: string) => void;
}

const GONE: readonly [keyof StormOutcome['balance'], string][] = [
  ['out', 'left by the ways out'],
  ['pumped', 'was pumped'],
  ['soaked', 'sank into the ground'],
  ['overEdge', 'ran over the edge of what was measured'],
  ['ranOff', 'ran off over the ground'],
  ['unled', 'was led nowhere'],
  ['overGutters', 'went over gutters'],
  ['stored', 'is still there'],
];

export function StormRows({ outcome, frame, onGo }: Props) {
  const { job, units } = useJob();
  const small = (metres: number): string => text(showSmall(metres, units));
  const { doors, landings, runs, balance } = outcome;
  const came = balance.fell + balance.fixed;
  const near = doors.filter(({ margin }) => margin !== null);
  const stood = landings
    .map((each, k) => ({ ...each, now: frame.depths[k]! }))
    .filter(({ id, peak }) => peak >= WORTH && !near.some((door) => door.id === id))
    .sort((a, b) => b.peak - a.peak);
  const full = runs
    .map((each, k) => ({ ...each, now: frame.fullness[k]! }))
    .filter(({ fullest }) => fullest >= NEARLY_FULL);
  return (
    <View>
      {near.map(({ id, margin, at }) => (
        <WordRow
          key={id}
          word={`${nameOf(job, id)}: ${margin! < 0 ? `${small(-margin!)} over its sill` : `${small(margin!)} below its sill`}`}
          about={`the nearest that water comes, at ${clock(at)}`}
          onPress={() => onGo(id)}
        />
      ))}
      {stood.map(({ id, peak, at, now }) => (
        <WordRow
          key={id}
          word={`${nameOf(job, id)}: ${small(peak)} deep at ${clock(at)}`}
          about={now >= WORTH ? `${small(now)} now` : 'dry now'}
          onPress={() => onGo(id)}
        />
      ))}
      {full.map(({ id, secondsUnderPressure, now }) => (
        <WordRow
          key={id}
          word={`${nameOf(job, id)}: ${secondsUnderPressure > 0 ? `under pressure for ${minutes(secondsUnderPressure)}` : 'nearly full'}`}
          about={now > 1 ? 'under pressure now' : `${text(showPercent(now))} full now`}
          onPress={() => onGo(id)}
        />
      ))}
      <Text kind="small">
        {`Of ${text(showVolume(came, units))} that came ${GONE.flatMap(([term, words]) => {
          const share = balance[term] / came;
          return share > 0.01 ? [`${text(showPercent(share))} ${words}`] : [];
        }).join(', ')}. Nothing is lost by more than ${lostWords(balance.error)}.`}
      </Text>
    </View>
  );
}

const minutes = (seconds: number): string => {
  const count = Math.max(1, Math.round(seconds / 60));
  return `${count} minute${count === 1 ? '' : 's'}`;
};

/** A share that is far below all that counts, in words. */
const lostWords = (error: number): string => (error < 1e-6 ? 'a millionth' : text(showPercent(error)));
