import { put, rainOf, showRain, text, type RainElement } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useStations } from '../../data/queries';
import { useKept } from '../../data/useJob';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { rainEntry } from '../../ui/entry';
import { QuantityField } from '../../ui/Field';
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
    const intensity = chosen.intensities[chosen.returnPeriods.indexOf(returnPeriod)]![chosen.durations.indexOf(DURATION)]!;
    const next: RainElement = { id: 'rain', kind: 'rain', intensity, source: { type: 'office', station: chosen.id, place: chosen.place, returnPeriod, duration: DURATION } };
    edit(put(`Take the ${returnPeriod}-year rain of ${chosen.place}`, next));
  };
  return (
    <>
      {rain && <Figure label={office ? `${office.place}, ${office.returnPeriod}-year, ${office.duration / 60}-minute` : 'Typed by you'} shown={showRain(rain.intensity, units)} size="hero" />}
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
    </>
  );
}
