/** A house, a garage, a shed. */
import { areaOf, put, showArea, showLevel, type Building } from '@katabasis/core';
import House from 'lucide-react-native/icons/house';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { distanceUpTo, levelEntry } from '../../input/entry';
import { without } from '../../input/without';
import { OwnName } from '../../parts/forms/OwnName';
import { ROOF } from '../../parts/yardAddress';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import type { FormProps, ElementView } from '../view';

function Form({ element: building, onGo }: FormProps<Building>) {
  const { edit, units } = useJob();
  const set = (label: string, key: keyof Building, value: unknown): string | null =>
    edit(put(label, without(building, key, value)));
  return (
    <>
      {building.outline && (
        <Button label="Put its roof on" icon={House} onPress={() => onGo(ROOF + building.id)} testID="roof-on" />
      )}
      <View style={fieldRow}>
        <OwnName element={building} />
        <QuantityField
          label="Floor"
          usual="not measured"
          value={building.floorLevel}
          {...levelEntry(units)}
          optional
          hint="The lowest floor that is lived in"
          onCommit={(level) => set('Set its floor', 'floorLevel', level)}
        />
        <QuantityField
          label="Footing below the ground"
          usual="not known"
          value={building.footingDepth}
          {...distanceUpTo(units, 50, 'A footing is')}
          optional
          hint="A trench beside it stays above 45° from there"
          onCommit={(depth) => set('Set its footing', 'footingDepth', depth)}
        />
      </View>
      <Choice
        label="Storeys"
        value={String(building.storeys ?? 1)}
        options={['1', '2', '3', '4'].map((value) => ({ value, label: value }))}
        onChoose={(storeys) => set('Set its storeys', 'storeys', Number(storeys))}
      />
    </>
  );
}

export const buildingView: ElementView<Building> = {
  Form,
  list: {
    group: 'buildings',
    about: ({ outline, floorLevel }, { units }) => ({
      about:
        floorLevel === undefined
          ? 'floor not measured'
          : `floor at ${showLevel(floorLevel, units).value} ${showLevel(floorLevel, units).unit}`,
      ...(outline ? { figure: showArea(areaOf(outline), units) } : {}),
    }),
  },
  onPlan: (_, { path, ink, bank, chosen }) => <Path d={path} fill={bank} stroke={ink} strokeWidth={chosen ? 4 : 2.6} />,
};
