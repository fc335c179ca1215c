/** Several downspouts with their roofs at once, typed one below another or pasted from a spreadsheet; what was typed is kept on the device. */
import {
  DOWNSPOUT_LABELS,
  downspoutElements,
  readDownspouts,
  showArea,
  showLength,
  text,
  type DownspoutRow,
} from '@katabasis/core';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { tableOf } from '../../../files/tables';
import { TextBox } from '../../../input/TextBox';
import { useNoted } from '../../../input/useNoted';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';

const EXAMPLE = {
  us: 'Front left, 450, 3x4, 0, Front right, 30\nFront right, 600, 4 in round, -6", Swale, 42\'6"',
  metric: 'Front left, 42, 100 mm, 0, Front right, 9\nFront right, 56, 100 mm, -0.15, Swale, 13',
};

export function DownspoutTable({ onBack, onClose }: { onBack: () => void; onClose: () => void }) {
  const { job, edit, units } = useJob();
  const [typed, note] = useNoted(`katabasis.downspouts.${job.id}`, z.string(), '');
  const [wrong, setWrong] = useState<string | null>(null);
  const { rows, refused } = useMemo(() => readDownspouts(job, tableOf(typed)), [job, typed]);
  const putIn = (): void => {
    const many = rows.length === 1 ? 'a downspout' : `${rows.length} downspouts`;
    const said = edit({ label: `Put in ${many}`, puts: downspoutElements(job, rows), removes: [] });
    setWrong(said);
    if (said !== null) return;
    note(() => '');
    onClose();
  };
  return (
    <Sheet title="Several downspouts" onClose={onClose}>
      <View style={{ flexDirection: 'row' }}>
        <Button label="Something else" icon={ArrowLeft} kind="bare" onPress={onBack} />
      </View>
      <TextBox
        label="One a line: name, roof, size, ground, leads to, pipe"
        hint="Roof is as seen from above, and only it must be said. Under headings the columns may stand in any order."
        text={typed}
        words
        lines={6}
        usual={EXAMPLE[units]}
        onText={(next) => note(() => next)}
        testID="downspout-table"
      />
      {rows.map((row) => (
        <Row key={row.row} row={row} />
      ))}
      {refused.map(({ row, why }) => (
        <Text key={row} tone="stop" role="alert">
          Row {row}: {why}
        </Text>
      ))}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
      {rows.length > 0 && (
        <View style={{ flexDirection: 'row' }}>
          <Button
            label={rows.length === 1 ? 'Put in this one' : `Put in these ${rows.length}`}
            kind="main"
            onPress={putIn}
            testID="put-downspouts"
          />
        </View>
      )}
    </Sheet>
  );
}

function Row({ row: { spout, face, leads } }: { row: DownspoutRow }) {
  const { units } = useJob();
  const area = face.shape.type === 'area' ? text(showArea(face.shape.area, units)) : '';
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text kind="strong">{spout.name}</Text>
      <Text kind="small">
        {area} of roof, {DOWNSPOUT_LABELS[spout.size]}
        {leads
          ? `, to ${leads.to} in ${text(showLength(leads.length, units))}${leads.assumed ? ', assumed' : ''}`
          : ', leads nowhere yet'}
      </Text>
    </View>
  );
}
