/** Water that always runs. */
import { isTaker, nameOf, put, showFlow, WATER_ORIGINS, type FixedFlow, type WaterOrigin } from '@katabasis/core';
import { View } from 'react-native';
import { Circle, Path } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { NameField, QuantityField } from '../input/Field';
import { flowEntry } from '../input/entry';
import { Feeds } from '../parts/forms/Feeds';
import { Choice } from '../ui/Choice';
import { ledTo, type ElementView } from './view';
import { footRow } from '../ui/rows';

/** Water that comes whatever the sky does. */
function Form({ element: source }: { element: FixedFlow }) {
  const { job, edit, units } = useJob();
  const save = (label: string, next: Partial<FixedFlow>): string | null => edit(put(label, { ...source, ...next }));
  const landings = job.elements.all.filter(isTaker).filter(({ kind }) => kind !== 'discharge');
  return (
    <>
      <View style={footRow}>
        <NameField label="Name" value={source.name} onCommit={(name) => save('Name it', { name })} />
        <QuantityField
          label="Runs at"
          value={source.flow}
          {...flowEntry(units)}
          onCommit={(flow) => save('Set its flow', { flow: flow! })}
        />
      </View>
      <Choice
        label="Where it comes from"
        value={source.origin ?? null}
        options={WATER_ORIGINS.map((value) => ({ value, label: ORIGINS[value] }))}
        onChoose={(origin) => void save('Say where it comes from', { origin })}
      />
      {source.origin === 'sump' && (
        <Choice
          label="Where it leaves the wall"
          value={source.freezeOverflow ? 'overflow' : 'none'}
          options={[
            { value: 'none', label: 'Straight into the line' },
            { value: 'overflow', label: 'Freeze overflow', note: 'spills outside once the line is frozen or blocked' },
          ]}
          onChoose={(end) =>
            void save('Say how it leaves the wall', { freezeOverflow: end === 'overflow' ? true : undefined })
          }
        />
      )}
      <Feeds
        label="Comes in at"
        feeds={source.feeds}
        targets={landings}
        none="Put in a basin or a downspout first."
        onChange={(feeds) => void save('Say where it comes in', { feeds })}
      />
    </>
  );
}

const ORIGINS: Record<WaterOrigin, string> = {
  neighbour: 'Neighbour’s downspout',
  higherGround: 'Higher ground',
  spring: 'Spring',
  condensate: 'Condensate',
  sump: 'Sump line',
};

export const fixedFlowView: ElementView<FixedFlow> = {
  Form,
  onPlan: (_, { spots: [at], water, ground, chosen }) => (
    <>
      <Circle cx={at!.x} cy={at!.y} r={11} fill={ground} stroke={water} strokeWidth={chosen ? 4 : 2.5} />
      <Path
        d={`M${at!.x} ${at!.y - 6}V${at!.y + 5}M${at!.x - 4} ${at!.y + 1}L${at!.x} ${at!.y + 6}L${at!.x + 4} ${at!.y + 1}`}
        stroke={water}
        strokeWidth={2.5}
        fill="none"
      />
    </>
  ),
  list: {
    group: 'ground',
    about: (source, { job, units }) => ({
      about: ledTo(
        'always runs, to',
        source.feeds.map((feed) => nameOf(job, feed.to)),
      ),
      figure: showFlow(source.flow, units),
    }),
  },
};
