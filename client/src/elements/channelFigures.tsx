/** What a channel drain does in the design rain: its figures, each with its working, and the water along it. */
import {
  channelCapacity,
  elementOf,
  METRES_PER_FOOT,
  showFlow,
  showLength,
  showSmall,
  text,
  type Channel,
  type ChannelPlan,
} from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Polygon, Polyline } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { Chart } from '../drawing/Chart';
import { Freeboard, type Ask } from '../parts/Freeboard';
import { InletWorkings } from '../parts/InletWorkings';
import { usePalette } from '../theme/theme';
import { SPACE } from '../theme/tokens';
import { Figure } from '../ui/Figure';
import { Text } from '../ui/Text';
import { figureRow } from '../ui/rows';
import { smallUnit } from '../input/entry';

export function ChannelFigures({ element: { id } }: { element: Channel }) {
  return (
    <InletWorkings id={id}>
      {(inlet, ask) => {
        const channel = inlet as ChannelPlan;
        return (
          <View style={{ gap: SPACE.s }}>
            <Figures id={id} inlet={channel} onAsk={ask} />
            <WaterAlong inlet={channel} />
          </View>
        );
      }}
    </InletWorkings>
  );
}

function Figures({ id, inlet, onAsk }: { id: string; inlet: ChannelPlan; onAsk: Ask }) {
  const { job, units } = useJob();
  const { profile } = inlet;
  const over = profile.over > 0;
  const channel = elementOf(job, 'channel', id)!;
  const brimful = useMemo(() => channelCapacity(channel), [channel]);
  return (
    <View style={figureRow}>
      <Figure
        label="Deepest water"
        shown={showSmall(profile.maxDepth, units)}
        size="hero"
        {...(over ? { tone: 'fix' as const } : {})}
        onPress={() => onAsk('water')}
      />
      <Figure
        label="Sheds into it"
        shown={showFlow(inlet.offered - inlet.through, units)}
        size="hero"
        onPress={() => onAsk('water')}
      />
      {inlet.through > 0 && (
        <Figure label="Comes in by a pipe" shown={showFlow(inlet.through, units)} onPress={() => onAsk('water')} />
      )}
      <Figure label="Takes, brimful" shown={showFlow(brimful, units)} onPress={() => onAsk('capacity')} />
      {over && (
        <Figure
          label="Overtops along"
          shown={showLength(profile.overLength, units)}
          tone="fix"
          onPress={() => onAsk('over')}
        />
      )}
      {inlet.outletCapacity !== null && (
        <Figure
          label={profile.outlets.length > 1 ? 'Each outlet takes' : 'Its outlet takes'}
          shown={showFlow(inlet.outletCapacity, units)}
          {...(inlet.outletCapacity < inlet.outletFlow ? { tone: 'fix' as const } : {})}
          onPress={() => onAsk('outlet')}
        />
      )}
      <Freeboard id={id} freeboard={inlet.freeboard} onAsk={onAsk} />
    </View>
  );
}

/** Said of one outlet by what rules the water there. */
const CONTROL_WORDS: Record<ChannelPlan['profile']['outletControl'], string> = {
  free: 'Falls free at its outlet.',
  drowned: 'Water in the line stands in its outlet.',
  none: 'Runs fast to its outlet.',
};

/** The water along it, drawn from its upper end. */
function WaterAlong({ inlet: { profile, drain } }: { inlet: ChannelPlan }) {
  const { units } = useJob();
  const { ink, stop } = usePalette();
  const most = Math.max(drain.depth, profile.maxDepth) * 1.1;
  return (
    <>
      <Chart
        filled
        said={`Water in the channel along its length, at most ${text(showSmall(profile.maxDepth, units))} deep`}
        curve={profile.stations.map((station, k): [number, number] => [station, profile.depths[k]!])}
        across={{
          label: `from the upper end, ${units === 'us' ? 'ft' : 'm'}`,
          most: drain.length,
          per: units === 'us' ? METRES_PER_FOOT : 1,
        }}
        up={{ label: `depth, ${units === 'us' ? 'in' : 'mm'}`, most, per: smallUnit(units) }}
      >
        {(frame) => (
          <>
            <Polyline
              points={topOf(drain)
                .map(([x, y]) => `${frame.x(x)},${frame.y(y)}`)
                .join(' ')}
              fill="none"
              stroke={profile.over > 0 ? stop : ink}
              strokeWidth={2.5}
            />
            {profile.outlets.map(({ at }) => (
              <Polygon key={at} points={outletMark(frame.x(at), frame.y(0))} fill={ink} />
            ))}
          </>
        )}
      </Chart>
      <Text kind="small">
        {profile.outlets.length > 1
          ? `Its outlets take ${profile.outlets.map(({ flow }) => text(showFlow(flow, units))).join(', ')}.`
          : CONTROL_WORDS[profile.outletControl]}{' '}
        The straight line is the channel’s top, {text(showSmall(drain.depth, units))} over its bed at the lowest,{' '}
        {text(showLength(drain.length, units))} long; a wedge marks each outlet.
      </Text>
    </>
  );
}

/** The channel's top over its bed, from its upper end: shallower toward where a bed with a fall of its own begins. */
function topOf({ depth, length, ownFall = 0, outlets }: ChannelPlan['drain']): [number, number][] {
  const fallen = (far: number): number => Math.max(0, depth - ownFall * far);
  return outlets === 'middle'
    ? [
        [0, fallen(length / 2)],
        [length / 2, depth],
        [length, fallen(length / 2)],
      ]
    : [
        [0, fallen(length)],
        [length, depth],
      ];
}

/** A wedge under the bed, pointing down. */
const outletMark = (x: number, y: number): string => `${x - 6},${y} ${x + 6},${y} ${x},${y + 8}`;
