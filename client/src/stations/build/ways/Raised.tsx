/** Ground that is raised with what the trenches leave over: low spots, grade at the foundation. */
import { headOf, put, showArea, showSmall, text, waysOf } from '@katabasis/core';
import { View } from 'react-native';
import { z } from 'zod';
import { useJob } from '../../../planning/useJob';
import { areaEntry, smallEntry } from '../../../input/entry';
import { NameField, QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { useNoted } from '../../../input/useNoted';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { fieldRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';

const draft = z.object({ name: z.string().optional(), area: z.number().optional() });
const NONE: z.infer<typeof draft> = {};

export function Raised() {
  const { job, edit, units } = useJob();
  const head = headOf(job);
  const { raised } = waysOf(head.ways);
  const [typed, note] = useNoted(`katabasis.raised.${job.id}`, draft, NONE);
  const keep = (label: string, next: typeof raised): string | null =>
    edit(put(label, { ...head, ways: { ...head.ways, raised: [...next] } }));
  const { name = '', area } = typed;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="strong">Ground raised with it</Text>
      {raised.map((each) => (
        <View key={each.name} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
          <View style={{ flex: 1 }}>
            <Text>
              {each.name}: {text(showArea(each.area, units))}, {text(showSmall(each.depth, units))} deep
            </Text>
          </View>
          <Button
            label={`Leave out ${each.name}`}
            onPress={() =>
              void keep(
                'Leave ground as it is',
                raised.filter((other) => other !== each),
              )
            }
          />
        </View>
      ))}
      <Fields of={null}>
        <View style={fieldRow}>
          <NameField
            label="Low spot, or grade at a wall"
            value={name}
            optional
            usual="such as Grade at the north wall"
            onCommit={(said) => {
              if (raised.some((each) => each.name === said)) return 'There is one of that name.';
              note((now) => ({ ...now, name: said }));
              return null;
            }}
            testID="raised-name"
          />
          {name !== '' && (
            <QuantityField
              label="Area"
              value={area}
              {...areaEntry(units)}
              optional
              onCommit={(next) => {
                note((now) => ({ ...now, area: next }));
                return null;
              }}
              testID="raised-area"
            />
          )}
          {name !== '' && area !== undefined && (
            <QuantityField
              label="Raised by"
              value={undefined}
              {...smallEntry(units, 0.001, 3, 'It is raised by')}
              optional
              onCommit={(depth) => {
                if (depth === undefined) return null;
                const refused = keep(`Raise ${name}`, [...raised, { name, area, depth }]);
                if (refused === null) note(() => NONE);
                return refused;
              }}
              testID="raised-depth"
            />
          )}
        </View>
      </Fields>
    </View>
  );
}
