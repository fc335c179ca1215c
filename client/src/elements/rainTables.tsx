/** A rain table: its curve, and one of the contractor's own, typed or read from a file. */
import {
  decimals,
  fitRain,
  intensityOf,
  METRES_PER_SECOND_PER_INCH_PER_HOUR,
  METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR,
  put,
  rainOf,
  readFrequencyTable,
  ROOF_DURATION,
  showRain,
  type IntensityTable,
  designRain,
} from '@katabasis/core';
import FileUp from 'lucide-react-native/icons/file-up';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../files/files';
import { tableOf } from '../files/tables';
import { useJob } from '../planning/useJob';
import { Chart } from '../drawing/Chart';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { TextBox } from '../input/TextBox';
import { Text } from '../ui/Text';

export const MINUTE = 60;

/** How the rain weakens the longer it lasts; the first hour, which is what yards answer to. */
export function RainCurve({ table }: { table: IntensityTable }) {
  const { units } = useJob();
  const longest = Math.min(60 * MINUTE, table.durations.at(-1)!);
  const curve = Array.from({ length: 56 }, (_, k): [number, number] => {
    const duration = ROOF_DURATION + ((longest - ROOF_DURATION) * k) / 55;
    return [duration / MINUTE, intensityOf(table, duration)];
  });
  const fit = table.durations.length > 2 ? fitRain(table) : null;
  const unit = showRain(0, units).unit;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Chart
        said="Rain by how long it lasts"
        curve={curve}
        across={{ label: 'lasting, min', most: longest / MINUTE, per: 1 }}
        up={{
          label: `rain, ${unit}`,
          most: curve[0]![1] * 1.1,
          per: units === 'us' ? METRES_PER_SECOND_PER_INCH_PER_HOUR : METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR,
        }}
      />
      {fit && (
        <Text kind="small">
          Near enough i = a / (t + b)^c with b = {decimals(fit.b / MINUTE, 1)} min and c = {decimals(fit.c, 2)}, within{' '}
          {decimals(fit.worst * 100, 1)}% at every row. The plan uses the rows themselves.
        </Text>
      )}
    </View>
  );
}

/** A table of the user's own, from a precipitation-frequency file or pasted. What is wrong with it is said beside it, and the text kept. */
export function OwnTable() {
  const { edit, job } = useJob();
  const [text, setText] = useState('');
  const [place, setPlace] = useState('My table');
  const read = useMemo(() => (text.trim() === '' ? null : readFrequencyTable(tableOf(text))), [text]);
  const rain = rainOf(job);
  const load = async (): Promise<void> => {
    const file = await pickFile('.csv,.txt,text/csv,text/plain');
    if (!file) return;
    setPlace(file.name.replace(/\.[a-z]+$/i, '').slice(0, 120));
    setText(file.size > MAX_BYTES ? '' : await file.text());
  };
  const take = (returnPeriod: number): void => {
    if (!read?.ok) return;
    edit(
      put(`Take the ${returnPeriod}-year rain of ${place}`, {
        id: 'rain',
        kind: 'rain',
        ...designRain(read.table, returnPeriod),
        source: { type: 'own', place: place.trim() || 'My table', returnPeriod },
      }),
    );
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Or your own table</Text>
      <Text kind="small">
        A precipitation-frequency file: durations down, return periods across, in inches or millimetres, depths or
        intensities. Its own notes may stay in it.
      </Text>
      <View style={{ flexDirection: 'row' }}>
        <Button label="Open a rain table" icon={FileUp} onPress={() => void load()} />
      </View>
      <TextBox
        label="Or paste it"
        words
        lines={4}
        text={text}
        usual={'years, 2, 10, 100\n5 min, 0.42, 0.62, 0.95\n10 min, 0.67, 0.99, 1.5'}
        onText={setText}
        wrong={read && !read.ok ? read.faults.map((fault) => `${fault.path} ${fault.sentence}.`).join(' ') : null}
        testID="rain-table"
      />
      {read?.ok && (
        <>
          <Text>
            {read.table.durations.length} durations read, as {read.table.measure === 'depth' ? 'depths' : 'intensities'}{' '}
            in {read.table.unit === 'in' ? 'inches' : 'millimetres'}.
          </Text>
          <TextBox label="Called" words text={place} onText={setPlace} />
          <Choice
            label="As heavy as comes once in"
            value={rain?.source.type === 'own' && rain.source.place === place ? String(rain.source.returnPeriod) : null}
            options={read.table.returnPeriods.map((years) => ({ value: String(years), label: `${years}-year` }))}
            onChoose={(years) => take(Number(years))}
          />
        </>
      )}
    </View>
  );
}

const MAX_BYTES = 1_000_000;
