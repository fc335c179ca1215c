import {
  officeRain,
  openingRain,
  put,
  rainOf,
  rarerThan,
  ROOF_DURATION,
  showRain,
  text,
  type FrequencyRows,
  type RainElement,
} from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useStations } from '../sync/records';
import { useJob } from '../planning/useJob';
import { SPACE } from '../theme/tokens';
import { Choice } from '../ui/Choice';
import { QuantityField } from '../input/Field';
import { Figure } from '../ui/Figure';
import { Text } from '../ui/Text';
import type { ElementView } from './view';
import { RainCurve, OwnTable, MINUTE } from './rainTables';
import { rainEntry } from '../input/entry';

/** Rain of a place that is tapped before any was chosen, years. */
const USUAL_PERIOD = 10;

/** What the rain is called: where it is from and how often it may be more. */
export function calledOf({ source }: RainElement): string {
  if (source.type === 'typed') return 'Typed by you';
  return `${source.place}, ${source.returnPeriod}-year, ${source.type === 'office' ? source.duration / MINUTE : ROOF_DURATION / MINUTE}-minute`;
}

export function RainForm() {
  const { job, edit, units } = useJob();
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
  const { edit, units } = useJob();
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

export const rainView: ElementView<RainElement> = { Form: RainForm, title: 'Design rain', list: null };
