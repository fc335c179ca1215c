import { decimals, fitRain, intensityOf, METRES_PER_SECOND_PER_INCH_PER_HOUR, METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR, put, rainOf, readFrequencyTable, showRain, text, type IntensityTable, type RainElement } from '@katabasis/core';
import FileUp from 'lucide-react-native/icons/file-up';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../../data/files';
import { useStations } from '../../data/queries';
import { useKept } from '../../data/useJob';
import { Chart } from '../../drawing/Chart';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { rainEntry } from '../../ui/entry';
import { QuantityField, TextBox } from '../../ui/Field';
import { Figure } from '../../ui/Figure';
import { Text } from '../../ui/Text';

/** Gutters and their lines are sized for a 5-minute rain: roofs answer at once. */
const DURATION = 300;

export function RainForm() {
  const { job, edit, units } = useKept();
  const stations = useStations();
  const rain = rainOf(job);
  const office = rain?.source.type === 'office' ? rain.source : null;
  const [station, setStation] = useState(office?.station ?? null);
  const chosen = stations.data?.find((each) => each.id === station);
  const take = (returnPeriod: number): void => {
    if (!chosen) return;
    const intensities = chosen.intensities[chosen.returnPeriods.indexOf(returnPeriod)]!;
    const next: RainElement = {
      id: 'rain', kind: 'rain', intensity: intensities[chosen.durations.indexOf(DURATION)]!, table: { durations: chosen.durations, intensities },
      source: { type: 'office', station: chosen.id, place: chosen.place, returnPeriod, duration: DURATION },
    };
    edit(put(`Take the ${returnPeriod}-year rain of ${chosen.place}`, next));
  };
  return (
    <>
      {rain && <Figure label={office ? `${office.place}, ${office.returnPeriod}-year, ${office.duration / 60}-minute` : rain.source.type === 'own' ? `${rain.source.place}, ${rain.source.returnPeriod}-year, 5-minute` : 'Typed by you'} shown={showRain(rain.intensity, units)} size="hero" />}
      {rain?.table && <RainCurve table={rain.table} />}
      <View style={{ gap: SPACE.s }}>
        <Text kind="heading">From the rain office</Text>
        {stations.isPending && <Text>Asking the rain office.</Text>}
        {stations.isError && !stations.data && <Text>The rain office does not answer. Type the rain that local practice uses.</Text>}
        {stations.data && <Choice label="Place" value={station} options={stations.data.map((each) => ({ value: each.id, label: each.place, note: each.climate }))} onChoose={setStation} />}
        {chosen && (
          <Choice
            label="How often it may be more" value={office?.station === chosen.id ? String(office.returnPeriod) : null}
            options={chosen.returnPeriods.map((years, k) => ({ value: String(years), label: `${years}-year`, note: text(showRain(chosen.intensities[k]![0]!, units)) }))}
            onChoose={(years) => take(Number(years))}
          />
        )}
        <Text kind="small">5-minute rain for roofs and the lines under them. 10-year is usual for gutters and yard lines. The places are invented, for trying out: type your own figure for a real job.</Text>
      </View>
      <QuantityField
        label="Or type it" value={rain?.intensity} usual={units === 'us' ? '6 in/h' : '150 mm/h'} {...rainEntry(units)} testID="rain-typed"
        onCommit={(intensity) => edit(put('Type the design rain', { id: 'rain', kind: 'rain', intensity: intensity!, source: { type: 'typed' } }))}
      />
      <OwnTable />
    </>
  );
}

const MINUTE = 60;

/** How the rain weakens the longer it lasts; the first hour, which is what yards answer to. */
function RainCurve({ table }: { table: IntensityTable }) {
  const { units } = useKept();
  const longest = Math.min(60 * MINUTE, table.durations.at(-1)!);
  const curve = Array.from({ length: 56 }, (_, k): [number, number] => {
    const duration = DURATION + ((longest - DURATION) * k) / 55;
    return [duration / MINUTE, intensityOf(table, duration)];
  });
  const fit = table.durations.length > 2 ? fitRain(table) : null;
  const unit = showRain(0, units).unit;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Chart
        said="Rain by how long it lasts" curve={curve}
        across={{ label: 'lasting, min', most: longest / MINUTE, per: 1 }}
        up={{ label: `rain, ${unit}`, most: curve[0]![1] * 1.1, per: units === 'us' ? METRES_PER_SECOND_PER_INCH_PER_HOUR : METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR }}
      />
      {fit && <Text kind="small">Near enough i = a / (t + b)^c with b = {decimals(fit.b / MINUTE, 1)} min and c = {decimals(fit.c, 2)}, within {decimals(fit.worst * 100, 1)}% at every row. The plan uses the rows themselves.</Text>}
    </View>
  );
}

/** A table of the user's own, from a precipitation-frequency file or pasted. What is wrong with it is said beside it, and the text kept. */
function OwnTable() {
  const { edit, job } = useKept();
  const [text, setText] = useState('');
  const [place, setPlace] = useState('My table');
  const read = useMemo(() => (text.trim() === '' ? null : readFrequencyTable(text)), [text]);
  const rain = rainOf(job);
  const load = async (): Promise<void> => {
    const file = await pickFile('.csv,.txt,text/csv,text/plain');
    if (!file) return;
    setPlace(file.name.replace(/\.[a-z]+$/i, '').slice(0, 120));
    setText(file.size > MOST_BYTES ? '' : await file.text());
  };
  const take = (returnPeriod: number): void => {
    if (!read?.ok) return;
    const { durations, intensities, returnPeriods } = read.table;
    const table = { durations, intensities: intensities[returnPeriods.indexOf(returnPeriod)]! };
    edit(put(`Take the ${returnPeriod}-year rain of ${place}`, { id: 'rain', kind: 'rain', intensity: intensityOf(table, DURATION), table, source: { type: 'own', place: place.trim() || 'My table', returnPeriod } }));
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Or your own table</Text>
      <Text kind="small">A precipitation-frequency file: durations down, return periods across, in inches or millimetres, depths or intensities. Its own notes may stay in it.</Text>
      <View style={{ flexDirection: 'row' }}><Button label="Open a rain table" icon={FileUp} onPress={() => void load()} /></View>
      <TextBox label="Or paste it" words lines={4} text={text} usual={'years, 2, 10, 100\n5 min, 0.42, 0.62, 0.95\n10 min, 0.67, 0.99, 1.5'} onText={setText} wrong={read && !read.ok ? read.faults.map((fault) => `${fault.path} ${fault.sentence}.`).join(' ') : null} testID="rain-table" />
      {read?.ok && (
        <>
          <Text>{read.table.durations.length} durations read, as {read.table.measure === 'depth' ? 'depths' : 'intensities'} in {read.table.unit === 'in' ? 'inches' : 'millimetres'}.</Text>
          <TextBox label="Called" words text={place} onText={setPlace} />
          <Choice
            label="How often it may be more" value={rain?.source.type === 'own' && rain.source.place === place ? String(rain.source.returnPeriod) : null}
            options={read.table.returnPeriods.map((years) => ({ value: String(years), label: `${years}-year` }))} onChoose={(years) => take(Number(years))}
          />
        </>
      )}
    </View>
  );
}

const MOST_BYTES = 1_000_000;
