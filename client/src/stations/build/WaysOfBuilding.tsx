/** How this job is built, where crews differ: what of it is counted so. */
import { waysOf, headOf, put, type JobElement } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { shareBetween, smallEntry } from '../../input/entry';
import { Raised } from './Raised';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';

type Flag = 'markingTape' | 'tracer' | 'leafFilters' | 'ventedFeet' | 'copperWrap';

const FLAGS: readonly { field: Flag; label: string; note?: string }[] = [
  { field: 'markingTape', label: 'Marking tape over the pipe' },
  { field: 'tracer', label: 'Tracer wire along it' },
  { field: 'leafFilters', label: 'Leaf filters on downspouts' },
  { field: 'ventedFeet', label: 'Vented adapters at downspouts', note: 'overflow above ground, let a hose in' },
  { field: 'copperWrap', label: 'Copper wrap among roots', note: 'harms water life: ask what is allowed' },
];

type Ways = NonNullable<JobElement['ways']>;

export function WaysOfBuilding() {
  const { job, edit, units } = useJob();
  const head = headOf(job);
  const ways = waysOf(head.ways);
  const set = (label: string, next: Partial<Ways>): string | null =>
    edit(put(label, { ...head, ways: { ...head.ways, ...next } }));
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">How it is built</Text>
      <Choice
        label="Trenches are dug by"
        value={ways.digger}
        options={[
          { value: 'excavator', label: 'Excavator', note: 'a bucket wide' },
          { value: 'trencher', label: 'Trencher', note: 'a chain wide, to 36 in' },
          { value: 'hand', label: 'Spade' },
        ]}
        onChoose={(digger) => set('Say what digs', { digger })}
      />
      <Choice
        label="Turf"
        value={ways.sod ?? 'by'}
        options={[
          { value: 'by', label: 'By area and season', note: 'a little is kept, much is sown or bought' },
          { value: 'kept', label: 'Cut, kept, laid back' },
          { value: 'new', label: 'New turf' },
          { value: 'seed', label: 'Seed under a blanket' },
        ]}
        onChoose={(sod) =>
          edit(
            put('Say what becomes of the turf', {
              ...head,
              ways: without({ ...head.ways }, 'sod', sod === 'by' ? undefined : sod),
            }),
          )
        }
      />
      <Choice
        label="Earth that is left over"
        value={ways.earth}
        options={[
          { value: 'used', label: 'Fills where fill is wanted', note: 'the rest is hauled' },
          { value: 'hauled', label: 'All hauled', note: 'fill is brought in' },
        ]}
        onChoose={(earth) => set('Say where the earth goes', { earth })}
      />
      <Raised />
      <Choice
        label="What is left of sticks and rolls"
        value={ways.offcuts}
        options={[
          { value: 'paid', label: 'Paid by this job' },
          { value: 'kept', label: 'Kept for the next', note: 'this job pays what it uses' },
        ]}
        onChoose={(offcuts) => set('Say who pays for off-cuts', { offcuts })}
      />
      <Choice
        label="Trenches are opened"
        value={ways.opening}
        options={[
          { value: 'whole', label: 'Line by line' },
          { value: 'stretch', label: '10 to 20 ft at a time', note: 'none stands open over night' },
        ]}
        onChoose={(opening) => set('Say how trenches are opened', { opening })}
      />
      <Choice
        label="Floor of a basin"
        value={ways.basinFloor ?? 'by'}
        options={[
          { value: 'by', label: 'By its place', note: 'weeps where soil drains, off buildings' },
          { value: 'weep', label: 'Weep holes on stone' },
          { value: 'sealed', label: 'Sealed' },
        ]}
        onChoose={(floor) =>
          edit(
            put('Say how basins stand', {
              ...head,
              ways: without({ ...head.ways }, 'basinFloor', floor === 'by' ? undefined : floor),
            }),
          )
        }
      />
      {FLAGS.map(({ field, label, note }) => (
        <Choice
          key={field}
          label={label}
          value={ways[field] ? 'yes' : 'no'}
          options={[
            { value: 'yes', label: 'Yes', ...(note ? { note } : {}) },
            { value: 'no', label: 'No' },
          ]}
          onChoose={(next) => set(label, { [field]: next === 'yes' })}
        />
      ))}
      <Fields of={null}>
        <QuantityField
          label="Runs drawn so near share a trench"
          value={ways.shareWithin}
          {...smallEntry(units, 0, 5, 'That distance is')}
          hint="Middle to middle; 0 digs each by itself"
          onCommit={(shareWithin) => set('Say how near runs share a trench', { shareWithin: shareWithin! })}
          testID="share-within"
        />
        <QuantityField
          label="A load is charged as, at least"
          value={ways.leastLoad}
          {...shareBetween(0, 1, 'It is')}
          hint={`Of a truck of ${units === 'us' ? '10 yd³' : '7.6 m³'}`}
          onCommit={(share) => set('Set the least load', { leastLoad: share! })}
          testID="least-load"
        />
      </Fields>
    </View>
  );
}
