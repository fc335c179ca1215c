/** How this job is built, where crews differ: what of it is counted so. */
import { waysOf, headOf, put, type JobElement } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { shareBetween, smallEntry } from '../../input/entry';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Choice, type Option } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { CompanyWays } from './CompanyWays';
import { Raised } from './Raised';

type Ways = NonNullable<JobElement['ways']>;
type Chosen = 'digger' | 'opening' | 'sod' | 'earth' | 'basinFloor' | 'offcuts';
type Flag = 'markingTape' | 'tracer' | 'leafFilters' | 'ventedFeet' | 'copperWrap';

/** `by`: where nobody has said, it goes by the place. */
const CHOICES: readonly {
  field: Chosen;
  label: string;
  /** What it is called among what was done. */
  said: string;
  by?: Option<string>;
  options: readonly Option<string>[];
}[] = [
  {
    field: 'digger',
    said: 'Say what digs',
    label: 'Trenches are dug by',
    options: [
      { value: 'excavator', label: 'Excavator', note: 'a bucket wide' },
      { value: 'trencher', label: 'Trencher', note: 'a chain wide, to 36 in' },
      { value: 'hand', label: 'Spade' },
    ],
  },
  {
    field: 'opening',
    said: 'Say how trenches are opened',
    label: 'Trenches are opened',
    options: [
      { value: 'whole', label: 'Line by line' },
      { value: 'stretch', label: '10 to 20 ft at a time', note: 'none stands open over night' },
    ],
  },
  {
    field: 'sod',
    said: 'Say what becomes of the turf',
    label: 'Turf',
    by: { value: 'by', label: 'By area and season', note: 'a little is kept, much is sown or bought' },
    options: [
      { value: 'kept', label: 'Cut, kept, laid back' },
      { value: 'new', label: 'New turf' },
      { value: 'seed', label: 'Seed under a blanket' },
    ],
  },
  {
    field: 'basinFloor',
    said: 'Say how basins stand',
    label: 'Floor of a basin',
    by: { value: 'by', label: 'By its place', note: 'weeps where soil drains, off buildings' },
    options: [
      { value: 'weep', label: 'Weep holes on stone' },
      { value: 'sealed', label: 'Sealed' },
    ],
  },
  {
    field: 'offcuts',
    said: 'Say who pays for off-cuts',
    label: 'What is left of sticks and rolls',
    options: [
      { value: 'paid', label: 'Paid by this job' },
      { value: 'kept', label: 'Kept for the next', note: 'this job pays what it uses' },
    ],
  },
  {
    field: 'earth',
    said: 'Say where the earth goes',
    label: 'Earth that is left over',
    options: [
      { value: 'used', label: 'Fills where fill is wanted', note: 'the rest is hauled' },
      { value: 'hauled', label: 'All hauled', note: 'fill is brought in' },
    ],
  },
];

const FLAGS: readonly { field: Flag; label: string; note?: string }[] = [
  { field: 'markingTape', label: 'Marking tape over the pipe' },
  { field: 'tracer', label: 'Tracer wire along it' },
  { field: 'leafFilters', label: 'Leaf filters on downspouts' },
  { field: 'ventedFeet', label: 'Vented adapters at downspouts', note: 'they overflow above ground' },
  { field: 'copperWrap', label: 'Copper wrap among roots', note: 'harms water life: ask what is allowed' },
];

export function WaysOfBuilding() {
  const { job, edit, units } = useJob();
  const head = headOf(job);
  const ways = waysOf(head.ways);
  const set = (label: string, next: Partial<Ways>): string | null =>
    edit(put(label, { ...head, ways: { ...head.ways, ...next } }));
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">How it is built</Text>
      <CompanyWays />
      {CHOICES.map(({ field, label, said, by, options }) => (
        <Choice
          key={field}
          label={label}
          value={ways[field] ?? 'by'}
          options={by ? [by, ...options] : options}
          onChoose={(chosen) =>
            edit(
              put(said, {
                ...head,
                ways: without({ ...head.ways }, field, chosen === 'by' ? undefined : chosen) as Ways,
              }),
            )
          }
        />
      ))}
      <Raised />
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
