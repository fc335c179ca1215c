/** A channel drain. */
import { outletsFit, put, showLevel, type Channel } from '@katabasis/core';
import { View } from 'react-native';
import { Line, Path, Rect } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { QuantityField } from '../input/Field';
import { pitchUpTo, distancesEntry, lengthEntry, smallEntry } from '../input/entry';
import { without } from '../input/without';
import { NameAndLevel } from '../parts/forms/NameAndLevel';
import { OnSlopeForm } from '../parts/forms/OnSlopeForm';
import { ChannelInstead } from '../parts/ChannelInstead';
import { SillFields } from '../parts/forms/SillFields';
import { SPACE } from '../theme/tokens';
import { Choice } from '../ui/Choice';
import { ChannelFigures } from './channelFigures';
import type { ElementView } from './view';
import { figureRow } from '../ui/rows';

/** Falls of a channel's bed and of its grate. */
const channelFall = pitchUpTo(0.5, 'It falls', true);

function Form({ element: channel }: { element: Channel }) {
  const { edit, units } = useJob();
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
      <ChannelInstead channel={channel} />
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
  const { units } = useJob();
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

export const channelView: ElementView<Channel> = {
  Form,
  Panel: ChannelFigures,
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
