/** Several plans over one site, side by side: what each costs, whether it holds, and the one that is worked on. */
import {
  amountOf,
  compareOptions,
  elementOf,
  keepAside,
  money,
  optionName,
  put,
  headOf,
  takeOption,
  type Compared,
  type JobElement,
} from '@katabasis/core';
import Trash from 'lucide-react-native/icons/trash';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { NameField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { useStyles, useWide } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Figure } from '../../ui/Figure';
import { Mark } from '../../ui/Mark';
import { figureRow } from '../../ui/rows';
import { Text } from '../../ui/Text';

const make = (palette: Palette) => ({
  option: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.m, gap: SPACE.s },
  present: { borderTopWidth: 3, borderTopColor: palette.ink },
  told: { flexDirection: 'row' as const, gap: SPACE.s, alignItems: 'flex-start' as const },
  acts: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: SPACE.s },
});

export function OptionsSheet() {
  const { job, plan, edit } = useJob();
  const compared = useMemo(() => compareOptions(job, plan), [job, plan]);
  const [wrong, setWrong] = useState<string | null>(null);
  const wide = useWide();
  const present = optionName(job);
  const rename = (name: string): string | null =>
    edit(put('Name this plan', { ...headOf(job), option: name } as JobElement));
  return (
    <View style={{ gap: SPACE.l, maxWidth: wide ? 1100 : 700 }}>
      <Fields of={null}>
        <NameField label="This plan is called" value={present} onCommit={rename} testID="option-name" />
      </Fields>
      <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
        <Button
          label="Keep it aside, and change a copy"
          kind="main"
          onPress={() => setWrong(edit(keepAside(job)))}
          testID="keep-aside"
        />
        <Text kind="small">
          The site stays one; pipes, inlets and works are each option’s own. Whichever stands here is the one that is
          drawn, priced and dug.
        </Text>
      </View>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
      <View style={wide ? { flexDirection: 'row', flexWrap: 'wrap', columnGap: 32 } : undefined}>
        {compared.map((each) => (
          <View key={each.id ?? 'present'} style={wide ? { width: 320 } : undefined}>
            <Option each={each} onWrong={setWrong} />
          </View>
        ))}
      </View>
    </View>
  );
}

function Option({ each, onWrong }: { each: Compared[number]; onWrong: (sentence: string | null) => void }) {
  const styles = useStyles(make);
  const { job, edit, units } = useJob();
  const take = (): void => {
    const option = elementOf(job, 'variant', each.id!);
    if (!option) return;
    const taken = takeOption(job, option);
    if (!taken.ok) return onWrong(taken.sentence);
    const refused = edit(taken.change);
    const { left } = taken;
    onWrong(
      refused ?? (left.length === 0 ? null : `Left out, as what they led from is no longer here: ${left.join(', ')}.`),
    );
  };
  return (
    <View style={[styles.option, each.id === null && styles.present]} testID="option">
      <Text kind="heading">{each.name}</Text>
      {'sentence' in each ? (
        <Text tone="stop">{each.sentence}</Text>
      ) : (
        <>
          <View style={figureRow}>
            <Figure
              label="Price"
              shown={{ value: money(each.price.price, each.price.currency), unit: '' }}
              size={each.id === null ? 'hero' : 'figure'}
            />
            <Figure label="Pipe" shown={amountOf(each.pipe, 'm', units)} />
            <Figure label="Dug" shown={amountOf(each.dug, 'm³', units)} />
          </View>
          <View style={styles.told}>
            <Mark kind={each.verdict.state} />
            <View style={{ flex: 1 }}>
              <Text>{each.verdict.sentence}</Text>
            </View>
          </View>
        </>
      )}
      {each.id === null ? (
        <Text kind="small">The one that stands here</Text>
      ) : (
        <View style={styles.acts}>
          {!('sentence' in each) && <Button label={`Take ${each.name}`} onPress={take} testID="take-option" />}
          <Button
            label={`Take out ${each.name}`}
            icon={Trash}
            kind="bare"
            onPress={() => onWrong(edit({ label: `Take out ${each.name}`, puts: [], removes: [each.id!] }))}
          />
        </View>
      )}
    </View>
  );
}
