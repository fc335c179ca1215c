/** What a storm came to, thing by thing: doors, inlets, pipes and ponds, each by a tap at its time and its place; and where the water went. */
import {
  nameOf,
  showClock,
  showPercent,
  showSmall,
  showVolume,
  text,
  type Job,
  type UnitSystem,
} from '@katabasis/core';
import type { StormFrame } from '@katabasis/core/simulation';
import { memo } from 'react';
import { View } from 'react-native';
import type { StormOutcome } from '../../../planning/storm.worker';
import { useJob } from '../../../planning/useJob';
import { Text } from '../../../ui/Text';
import { StormRow } from './StormRow';

/** Water over an inlet that is worth a line, m; and how full a pipe is that is. */
const WORTH = 0.005;
const NEARLY_FULL = 0.8;

interface Props {
  outcome: StormOutcome;
  frames: readonly StormFrame[];
  /** Picture that is shown. */
  shown: number;
  chosen: string | null;
  /** A thing, and when it was at its worst, s. */
  onChoose: (id: string, at: number | null) => void;
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
  ['wetted', 'wetted roofs and paving'],
  ['stored', 'is still there'],
];

interface Row {
  id: string;
  word: string;
  about: string;
  figures: readonly number[];
  at: number | null;
}

export const StormRows = memo(function StormRows({ outcome, frames, shown, chosen, onChoose, onGo }: Props) {
  const { job, units } = useJob();
  const rows = rowsOf({ job, units, outcome, frames, shown });
  const { ponds, balance } = outcome;
  const small = (metres: number): string => text(showSmall(metres, units));
  return (
    <View>
      {rows.map(({ id, at, ...row }) => (
        <StormRow
          key={id}
          {...row}
          shown={shown}
          chosen={chosen === id}
          onChoose={() => onChoose(id, at)}
          onGo={() => onGo(id)}
        />
      ))}
      {ponds.slice(0, PONDS).map(({ deepest, at, dryAt }, k) => (
        <StormRow
          key={`pond ${k}`}
          word={`${ponds.length === 1 ? 'A pond' : `Pond ${k + 1}`}: ${small(deepest)} deep at ${showClock(at)}`}
          about={dryAt === null ? `still there at ${showClock(outcome.reached)}` : `gone by ${showClock(dryAt)}`}
          figures={[]}
          shown={shown}
          chosen={false}
          onChoose={() => onChoose('', at)}
          onGo={() => undefined}
        />
      ))}
      <Text kind="small">{balanceWords(balance, (volume) => text(showVolume(volume, units)))}</Text>
      {outcome.hard > 0 && (
        <Text kind="small">
          {`In ${outcome.hard} ${outcome.hard === 1 ? 'step' : 'steps'} the pipes’ water was hard to find: levels there may be some way off, no water is.`}
        </Text>
      )}
    </View>
  );
});

interface Told extends Pick<Props, 'outcome' | 'frames' | 'shown'> {
  job: Job;
  units: UnitSystem;
}

/** A row for each door that water comes to, each inlet that it stands over, each pipe that is nearly full, and each swale that runs. */
function rowsOf({ job, units, outcome, frames, shown }: Told): Row[] {
  const frame = frames[shown]!;
  const small = (metres: number): string => text(showSmall(metres, units));
  const { doors, landings, runs, led } = outcome;
  const near = doors.filter(({ margin }) => margin !== null);
  return [
    ...near.map(({ id, margin, at }): Row => {
      const inlet = landings.findIndex((each) => each.id === id);
      return {
        id,
        word: `${nameOf(job, id)}: ${margin! < 0 ? `${small(-margin!)} over its sill` : `${small(margin!)} below its sill`}`,
        about: `the nearest that water comes, at ${showClock(at)}`,
        figures: inlet < 0 ? [] : frames.map(({ depths }) => depths[inlet]!),
        at,
      };
    }),
    ...landings.flatMap(({ id, peak, at, secondsOver }, k): Row[] => {
      if (peak < WORTH || near.some((door) => door.id === id)) return [];
      const now = frame.depths[k]!;
      const over = secondsOver > 0 ? `, too deep for ${minutes(secondsOver)}` : '';
      return [
        {
          id,
          word: `${nameOf(job, id)}: ${small(peak)} deep at ${showClock(at)}`,
          about: `${now >= WORTH ? `${small(now)} now` : 'dry now'}${over}`,
          figures: frames.map(({ depths }) => depths[k]!),
          at,
        },
      ];
    }),
    ...runs.flatMap(({ id, fullest, secondsUnderPressure }, k): Row[] => {
      if (fullest < NEARLY_FULL) return [];
      const now = frame.fullness[k]!;
      const figures = frames.map(({ fullness }) => fullness[k]!);
      return [
        {
          id,
          word: `${nameOf(job, id)}: ${secondsUnderPressure > 0 ? `under pressure for ${minutes(secondsUnderPressure)}` : 'nearly full'}`,
          about: now > 1 ? 'under pressure now' : `${text(showPercent(now))} full now`,
          figures,
          at: frames[figures.indexOf(Math.max(...figures))]!.time,
        },
      ];
    }),
    ...led.flatMap(({ id, deepest, bank, at, spilled }): Row[] => {
      if ((deepest ?? 0) < WORTH && spilled <= 0) return [];
      const over = spilled > 0 ? `${text(showVolume(spilled, units))} ran over it` : 'all of it kept between its banks';
      const word = deepest === null ? nameOf(job, id) : `${nameOf(job, id)}: ${small(deepest)} deep of ${small(bank!)}`;
      return [{ id, word, about: deepest === null ? over : `${over}, deepest at ${showClock(at)}`, figures: [], at }];
    }),
  ];
}

/** Ponds that are told. */
const PONDS = 3;

function balanceWords(balance: StormOutcome['balance'], volume: (cubicMetres: number) => string): string {
  const came = balance.fell + balance.fixed;
  const went = GONE.flatMap(([term, words]) => {
    const share = balance[term] / came;
    return share > 0.005 ? [`${text(showPercent(share))} ${words}`] : [];
  });
  return `Of ${volume(came)} that came ${went.join(', ')}. Nothing is lost by more than ${lostWords(balance.error)}.`;
}

const minutes = (seconds: number): string => {
  const count = Math.max(1, Math.round(seconds / 60));
  return `${count} minute${count === 1 ? '' : 's'}`;
};

/** A share that is far below all that counts, in words. */
const lostWords = (error: number): string => (error < 1e-6 ? 'a millionth' : text(showPercent(error)));
