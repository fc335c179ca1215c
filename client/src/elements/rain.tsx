import {
  decimals,
  designRain,
  officeRain,
  fitRain,
  intensityOf,
  METRES_PER_SECOND_PER_INCH_PER_HOUR,
  METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR,
  openingRain,
  put,
  rainOf,
  rarerThan,
  readFrequencyTable,
  ROOF_DURATION,
  showRain,
  text,
  type FrequencyRows,
  type IntensityTable,
  type RainElement,
} from '@katabasis/core';
import FileUp from 'lucide-react-native/icons/file-up';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../files/files';
import { useStations } from '../sync/records';
import { useKept } from '../planning/useJob';
import { Chart } from '../drawing/Chart';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { rainEntry } from '../input/entry';
import { QuantityField } from '../input/Field';
import { TextBox } from '../input/TextBox';
import { Figure } from '../ui/Figure';
import { Text } from '../ui/Text';
import type { ElementView } from './view';

const MINUTE = 60;
/** Rain of a place that is tapped before any was chosen, years. */
const USUAL_PERIOD = 10;

/** What the rain is called: where it is from and how often it may be more. */
export function calledOf({ source }: RainElement): string {
  if (source.type === 'typed') return 'Typed by you';
  return `${source.place}, ${source.returnPeriod}-year, ${source.type === 'office' ? source.duration / MINUTE : ROOF_DURATION / MINUTE}-minute`;
}

export function RainForm() {
  const { job, edit, units } = useKept();
  const stations = useStations();
  const rain = rainOf(job);
  const office = rain?.source.type === 'office' ? rain.source : null;
  const [station, setStation] = useState(office?.station ?? null);
  const chosen = stations.data?.find((each) => each.id === station);
  const take = (returnPeriod: number, at = chosen): void => {
    if (!at) return;
    edit(put(`Take the ${returnPeriod}-year rain of ${at.place}`, officeRain(at, returnPeriod)));
  };
  return (
    <>
      {rain && <Figure label={calledOf(rain)} shown={showRain(rain.intensity, units)} size="hero" />}
      {rain && <OpeningRain rain={rain} rows={office && chosen?.id === office.station ? chosen : undefined} />}
      {rain?.table && <RainCurve table={rain.table} />}
      <View style={{ gap: SPACE.s }}>
        <Text kind="heading">From the rain office</Text>
        {stations.isPending && <Text>Asking the rain office.</Text>}
        {stations.isError && !stations.data && (
          <Text>The rain office does not answer. Type the rain that local practice uses.</Text>
        )}
        {stations.data && (
          <Choice
            label="Place (invented, for trying out)"
            value={station}
            options={stations.data.map((each) => ({ value: each.id, label: each.place, note: each.climate }))}
            onChoose={(id) => {
              setStation(id);
              const at = stations.data.find((each) => each.id === id)!;
              const years = office?.returnPeriod ?? USUAL_PERIOD;
              take(at.returnPeriods.includes(years) ? years : at.returnPeriods[0]!, at);
            }}
          />
        )}
        {chosen && (
          <Choice
            label="As heavy as comes once in"
            value={office?.station === chosen.id ? String(office.returnPeriod) : null}
            options={chosen.returnPeriods.map((years, k) => ({
              value: String(years),
              label: `${years}-year`,
              note: text(showRain(chosen.intensities[k]![0]!, units)),
            }))}
            onChoose={(years) => take(Number(years))}
          />
        )}
        <Text kind="small">
          5-minute rain for roofs and the lines under them. 10-year is usual for gutters and yard lines. No place here
          is real: type your own figure for a real job.
        </Text>
      </View>
      <QuantityField
        label="Or type it"
        value={rain?.intensity}
        usual={units === 'us' ? '6 in/h' : '150 mm/h'}
        {...rainEntry(units)}
        testID="rain-typed"
        onCommit={(intensity) =>
          edit(
            put('Type the design rain', {
              id: 'rain',
              kind: 'rain',
              intensity: intensity!,
              ...(rain?.openings ? { openings: rain.openings } : {}),
              source: { type: 'typed' },
            }),
          )
        }
      />
      <OwnTable />
    </>
  );
}

const USUAL_FOR_OPENINGS = 100;

/** The rarer rain that doors and window wells are checked by: of the same table, or typed. */
function OpeningRain({ rain, rows }: { rain: RainElement; rows: FrequencyRows | undefined }) {
  const { edit, units } = useKept();
  const { openings, ...rest } = rain;
  const save = (next: RainElement['openings']): string | null =>
    edit(put('Set the rain for openings', next ? { ...rest, openings: next } : rest));
  const design = rain.source.type === 'typed' ? 0 : rain.source.returnPeriod;
  const years = openings?.returnPeriod ?? USUAL_FOR_OPENINGS;
  const typed = (intensity: number | undefined): string | null => {
    if (intensity !== undefined && intensity < rain.intensity)
      return 'It is rarer than the design rain, so it is more.';
    return save(intensity === undefined ? undefined : { returnPeriod: years, intensity });
  };
  return (
    <View style={{ gap: SPACE.s }}>
      {rows && rarerThan(rows, design).length > 0 && (
        <Choice
          label="Doors and window wells checked by"
          value={openings ? String(openings.returnPeriod) : null}
          options={rarerThan(rows, design).map((each) => ({ value: String(each), label: `${each}-year` }))}
          onChoose={(each) => void save(openingRain(rows, Number(each)))}
        />
      )}
      <QuantityField
        name="openings"
        label={`${years}-year rain, for doors and window wells`}
        value={openings?.intensity}
        usual="not checked"
        {...rainEntry(units)}
        optional
        onCommit={typed}
        testID="rain-openings"
        hint="Where an inlet names the sill that it protects"
      />
    </View>
  );
}

/** How the rain weakens the longer it lasts; the first hour, which is what yards answer to. */
function RainCurve({ table }: { table: IntensityTable }) {
  const { units } = useKept();
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

export const rainView: ElementView<RainElement> = { Form: RainForm, title: 'Design rain', list: null };
