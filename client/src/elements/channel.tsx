/** A channel drain. */
import {
  channelCapacity,
  elementOf,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  outletsFit,
  put,
  showFlow,
  showLength,
  showLevel,
  showSmall,
  text,
  type Channel,
  type ChannelPlan,
  type UnitSystem,
} from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Line, Path, Polygon, Polyline, Rect } from 'react-native-svg';
import { useKept } from '../planning/useJob';
import { Chart } from '../drawing/Chart';
import { QuantityField } from '../input/Field';
import { distancesEntry, lengthEntry, pitchUpTo, smallEntry } from '../input/entry';
import { without } from '../input/without';
import { Freeboard, type Ask } from '../parts/Freeboard';
import { InletWorkings } from '../parts/InletWorkings';
import { NameAndLevel } from '../parts/forms/NameAndLevel';
import { OnSlopeForm } from '../parts/forms/OnSlopeForm';
import { StoneInstead } from '../parts/StoneInstead';
import { SillFields } from '../parts/forms/SillFields';
import { usePalette } from '../theme/theme';
import { SPACE } from '../theme/tokens';
import { Choice } from '../ui/Choice';
import { Figure } from '../ui/Figure';
import { Text } from '../ui/Text';
import type { ElementView } from './view';
import { figureRow } from '../ui/rows';

/** m of a small size's unit: inches or millimetres. */
const small = (units: UnitSystem): number => (units === 'us' ? METRES_PER_INCH : 0.001);

function Panel({ id, inlet, onAsk }: { id: string; inlet: ChannelPlan; onAsk: Ask }) {
  const { job, units } = useKept();
  const { ink, stop } = usePalette();
  const { profile, drain } = inlet;
  const over = profile.over > 0;
  const most = Math.max(drain.depth, profile.maxDepth) * 1.1;
  const words = {
    free: 'Falls free at its outlet.',
    drowned: 'Water in the line stands in its outlet.',
    none: 'Runs fast to its outlet.',
  } as const;
  const several = profile.outlets.length > 1;
  const channel = elementOf(job, 'channel', id)!;
  const brimful = useMemo(() => channelCapacity(channel), [channel]);
  return (
    <View style={{ gap: SPACE.s }}>
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
          shown={showFlow(inlet.offered, units)}
          size="hero"
          onPress={() => onAsk('water')}
        />
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
            label={several ? 'Each outlet takes' : 'Its outlet takes'}
            shown={showFlow(inlet.outletCapacity, units)}
            {...(inlet.outletCapacity < inlet.outletFlow ? { tone: 'fix' as const } : {})}
            onPress={() => onAsk('outlet')}
          />
        )}
        <Freeboard id={id} freeboard={inlet.freeboard} onAsk={onAsk} />
      </View>
      <Chart
        filled
        said={`Water in the channel along its length, at most ${text(showSmall(profile.maxDepth, units))} deep`}
        curve={profile.stations.map((station, k): [number, number] => [station, profile.depths[k]!])}
        across={{
          label: `from the upper end, ${units === 'us' ? 'ft' : 'm'}`,
          most: drain.length,
          per: units === 'us' ? METRES_PER_FOOT : 1,
        }}
        up={{ label: `depth, ${units === 'us' ? 'in' : 'mm'}`, most, per: small(units) }}
      >
        {(frame) => (
          <>
            <Polyline
              points={topOf(drain)
                .map(([x, y]) => `${frame.x(x)},${frame.y(y)}`)
                .join(' ')}
              fill="none"
              stroke={over ? stop : ink}
              strokeWidth={2.5}
            />
            {profile.outlets.map(({ at }) => (
              <Polygon key={at} points={outletMark(frame.x(at), frame.y(0))} fill={ink} />
            ))}
          </>
        )}
      </Chart>
      <Text kind="small">
        {several
          ? `Its outlets take ${profile.outlets.map(({ flow }) => text(showFlow(flow, units))).join(', ')}.`
          : words[profile.outletControl]}{' '}
        The straight line is the channel’s top, {text(showSmall(drain.depth, units))} over its bed at the lowest,{' '}
        {text(showLength(drain.length, units))} long; a wedge marks each outlet.
      </Text>
    </View>
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

/** Falls of a channel's bed and of its grate. */
const channelFall = pitchUpTo(0.5, 'It falls', true);

function Form({ element: channel }: { element: Channel }) {
  const { edit, units } = useKept();
  const set = (label: string, next: Partial<Channel>): string | null => {
    const changed = { ...channel, ...next };
    return outletsFit(changed)
      ? edit(put(label, changed))
      : 'Its outlets come one after another, none beyond its length.';
  };
  return (
    <>
      <NameAndLevel landing={channel} levelLabel="Level of its grate" />
      <ChannelOutlets channel={channel} set={set} />
      <Choice
        label="The hole to its pipe"
        value={channel.hole ?? 'floor'}
        options={[
          { value: 'floor', label: 'In its floor' },
          { value: 'end', label: 'In its end or side', note: 'under less water' },
        ]}
        onChoose={(hole) => set('Say where its hole is', { hole })}
      />
      <Choice
        label="Its floor"
        value={channel.section ?? 'flat'}
        options={[
          { value: 'flat', label: 'Flat' },
          { value: 'round', label: 'Half round', note: 'cleans itself at a trickle' },
        ]}
        onChoose={(section) => set('Say what its floor is', { section })}
      />
      <View style={figureRow}>
        <QuantityField
          label="Inside width"
          value={channel.width}
          {...smallEntry(units, 0.01, 2, 'A channel is')}
          onCommit={(width) => set('Set channel width', { width: width! })}
        />
        <QuantityField
          label="Depth at the outlet"
          value={channel.depth}
          {...smallEntry(units, 0.01, 2, 'A channel’s depth is')}
          onCommit={(depth) => set('Set channel depth', { depth: depth! })}
        />
      </View>
      <View style={figureRow}>
        <QuantityField
          label="Length"
          value={channel.length}
          {...lengthEntry(units)}
          onCommit={(length) => set('Set channel length', { length: length! })}
        />
        <QuantityField
          label="Bed’s own fall"
          usual="level"
          value={channel.slope === 0 ? undefined : channel.slope}
          {...channelFall}
          optional
          onCommit={(slope) => set('Set channel fall', { slope: slope ?? 0 })}
          hint="Against its grate"
        />
        <QuantityField
          label="Its grate falls"
          usual="level"
          value={channel.topSlope}
          {...channelFall}
          optional
          onCommit={(slope) => edit(put('Set the grate’s fall', without(channel, 'topSlope', slope)))}
          hint="With the paving"
        />
      </View>
      <View style={figureRow}>
        <SillFields inlet={channel} />
      </View>
      <OnSlopeForm inlet={channel} />
      <StoneInstead channel={channel} />
    </>
  );
}

/** Where its water leaves it; several outlets share the water by where it divides, and lead into its one line. */
function ChannelOutlets({
  channel,
  set,
}: {
  channel: Channel;
  set: (label: string, next: Partial<Channel>) => string | null;
}) {
  const { units } = useKept();
  const outlet = channel.outlet ?? 'end';
  const several = typeof outlet !== 'string';
  const choose = (where: 'end' | 'middle' | 'several'): void =>
    void set('Say where its outlet is', { outlet: where === 'several' ? [0, channel.length] : where });
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="Its outlet"
        value={several ? 'several' : outlet}
        options={[
          { value: 'end', label: 'At its end' },
          { value: 'middle', label: 'In its middle', note: 'two halves fall to it' },
          { value: 'several', label: 'Several', note: 'they share the water' },
        ]}
        onChoose={choose}
      />
      {several && (
        <QuantityField
          label="Outlets, from its upper end"
          value={outlet}
          {...distancesEntry(units)}
          onCommit={(places) => set('Set its outlets', { outlet: [...places!] })}
          usual={units === 'us' ? "0, 20'" : '0, 6'}
          hint="One after another, with commas"
          testID="outlets"
        />
      )}
    </View>
  );
}

/** What it does in the design rain; any figure opens its working. */
function ChannelPanel({ element: { id } }: { element: Channel }) {
  return (
    <InletWorkings id={id}>{(inlet, ask) => <Panel id={id} inlet={inlet as ChannelPlan} onAsk={ask} />}</InletWorkings>
  );
}

export const channelView: ElementView<Channel> = {
  Form,
  Panel: ChannelPanel,
  list: {
    group: 'inlets',
    about: ({ groundLevel }, { units }) => ({
      about: 'channel drain, grate at',
      figure: showLevel(groundLevel, units),
    }),
  },
  onPlan: ({ width }, { path, scale, ink, ground, chosen }) => (
    <>
      <Path d={path} fill="none" stroke={ink} strokeWidth={Math.max(9, width * scale) + (chosen ? 4 : 0)} />
      <Path d={path} fill="none" stroke={ground} strokeWidth={Math.max(5, width * scale - 4)} strokeDasharray="3 4" />
    </>
  ),
  glyph: (_, { outline, stroke }) => (
    <>
      <Rect x={-13} y={-6} width={26} height={12} {...outline} />
      {[-8, -4, 0, 4, 8].map((at) => (
        <Line key={at} x1={at} x2={at} y1={-6} y2={0} stroke={stroke} strokeWidth={1.6} />
      ))}
    </>
  ),
};
