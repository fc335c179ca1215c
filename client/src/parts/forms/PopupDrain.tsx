/** What stays in the line behind a pop-up after the rain, and how it empties. */
import {
  decimals,
  put,
  showArea,
  showLength,
  showSmall,
  showVolume,
  SOIL_FACTS,
  SOILS,
  text,
  USUAL_SOIL,
  type Discharge,
  type StandingWater,
  type UnitSystem,
} from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { areaUpTo } from '../../input/entry';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';

const WAYS = [
  { value: 'none', label: 'Not at all', note: 'stands until somebody drains it' },
  { value: 'weep', label: 'Weep holes', note: 'in its foot, over stone' },
  { value: 'leach', label: 'Leaching tee', note: 'under the pop-up, in soil that takes water' },
] as const;
/** Wetted soil of a leaching tee in a pit of a few feet, m²: 10 ft². */
const USUAL_LEACHING = 0.929;

function told({ depth, length, volume, fed, drainTime }: StandingWater, units: UnitSystem): string {
  const empties =
    drainTime === null
      ? 'nothing drains it'
      : `it is empty ${decimals(drainTime / 3600, drainTime < 36_000 ? 1 : 0)} hours after the rain`;
  return `Holds ${text(showSmall(depth, units))} of water over ${text(showLength(length, units))} of pipe, ${text(showVolume(volume, units))}: ${empties}${fed ? ', and what always runs keeps it full' : ''}.`;
}

export function PopupDrain({ discharge }: { discharge: Discharge }) {
  const { edit, units, plan } = useJob();
  const standing = plan.standing[discharge.id];
  const { drain } = discharge;
  const save = (next: Discharge['drain']): string | null =>
    edit(put('Say how the line empties', without(discharge, 'drain', next)));
  const choose = (type: (typeof WAYS)[number]['value']): string | null => {
    const soil = drain?.soil === undefined ? {} : { soil: drain.soil };
    if (type === 'none') return save(undefined);
    return save(type === 'weep' ? { type, ...soil } : { type, area: USUAL_LEACHING, ...soil });
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Text>{standing ? told(standing, units) : 'Its pipe rises to the lid: no water stays in the line.'}</Text>
      <Choice
        label="How the line empties after the rain"
        value={drain?.type ?? 'none'}
        options={WAYS}
        onChoose={choose}
      />
      {drain && (
        <Choice
          label={`Soil there${drain.soil === undefined ? ', loam taken until it is tested' : ''}`}
          value={drain.soil ?? USUAL_SOIL}
          options={SOILS.map((value) => ({ value, label: SOIL_FACTS[value].label }))}
          onChoose={(soil) => save({ ...drain, soil })}
        />
      )}
      {drain?.type === 'leach' && (
        <QuantityField
          label="Soil that it wets"
          value={drain.area}
          {...areaUpTo(units, 1000, 'A leaching area is')}
          hint={`Sides and floor of its pit; ${text(showArea(USUAL_LEACHING, units))} is usual`}
          onCommit={(area) => save({ ...drain, area: area! })}
        />
      )}
    </View>
  );
}
