/** Rain that somebody typed, or a gauge wrote down: read as it is typed, with what is wrong said under it. */
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../../../files/files';
import { TextBox } from '../../../input/TextBox';
import { gaugeSays } from '../../../planning/storms';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';

/** More than a month of minutes is no gauge's file of a storm: characters. */
const LONGEST = 3_000_000;

export function GaugeRain({ text, onText }: { text: string; onText: (text: string) => void }) {
  const { job, units } = useJob();
  const [typed, setTyped] = useState(text);
  const [wrong, setWrong] = useState<string | null>(null);
  const [told, setTold] = useState<readonly string[]>([]);
  const take = (next: string): void => {
    setTyped(next);
    if (next !== text) onText(next);
  };
  useEffect(() => {
    let wanted = true;
    if (typed.trim() === '') return;
    void gaugeSays(job, typed).then(({ ok, sentences }) => {
      if (!wanted) return;
      setWrong(ok ? null : sentences[0]!);
      setTold(ok ? sentences : []);
    });
    return () => void (wanted = false);
  }, [job, typed]);
  const open = async (): Promise<void> => {
    const file = await pickFile('.csv,.txt,text/csv,text/plain');
    if (!file) return;
    if (file.size > LONGEST) return setWrong('This file is too large for a storm: cut out the days that matter.');
    take(await file.text());
  };
  const empty = typed.trim() === '';
  return (
    <View style={{ gap: SPACE.s }}>
      <TextBox
        label="A time and what fell by then, line by line"
        text={typed}
        onText={setTyped}
        onDone={() => take(typed)}
        wrong={empty ? null : wrong}
        words
        lines={5}
        hint={units === 'metric' ? '0:10 4 mm' : '0:10 0.15 in'}
        testID="gauge"
      />
      {!empty &&
        told.map((each) => (
          <Text key={each} kind="small">
            {each}
          </Text>
        ))}
      <Button label="Open a gauge’s file" kind="line" onPress={() => void open()} />
    </View>
  );
}
