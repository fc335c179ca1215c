/** A tree, with its roots. */
import { put, rootReach, showLength, VIGOURS, type Tree, type Vigour } from '@katabasis/core';
import { View } from 'react-native';
import { Circle } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { lengthEntry, smallEntry } from '../../input/entry';
import { without } from '../../input/without';
import { BesideRun } from '../../parts/forms/BesideRun';
import { OwnName } from '../../parts/forms/OwnName';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import type { ElementView } from '../view';

const LABELS: Record<Vigour, { label: string; note: string }> = {
  low: { label: 'Low', note: 'dogwood, maple of small kinds' },
  ordinary: { label: 'Ordinary', note: 'pear, oak, pine' },
  aggressive: { label: 'Aggressive', note: 'willow, poplar, silver maple' },
};

function Form({ element: tree }: { element: Tree }) {
  const { edit, units } = useJob();
  const set = (label: string, key: keyof Tree, value: unknown): string | null =>
    edit(put(label, without(tree, key, value)));
  return (
    <>
      <View style={fieldRow}>
        <OwnName element={tree} />
        <QuantityField
          label="Across its crown"
          usual="not measured"
          value={tree.crown}
          {...lengthEntry(units)}
          optional
          onCommit={(crown) => set('Set its crown', 'crown', crown)}
        />
        <QuantityField
          label="Across its trunk"
          usual="not measured"
          value={tree.trunk}
          {...smallEntry(units, 0.01, 10, 'A trunk is')}
          optional
          onCommit={(trunk) => set('Set its trunk', 'trunk', trunk)}
        />
      </View>
      <Choice
        label="How its roots seek water"
        value={tree.vigour ?? 'ordinary'}
        options={VIGOURS.map((value) => ({ value, ...LABELS[value] }))}
        onChoose={(vigour) => set('Say how its roots are', 'vigour', vigour)}
      />
      <BesideRun element={tree} />
    </>
  );
}

export const treeView: ElementView<Tree> = {
  Form,
  list: {
    group: 'inTheWay',
    about: (tree, { units }) => ({ about: 'roots reach', figure: showLength(rootReach(tree), units) }),
  },
  onPlan: (tree, { spots: [at], scale, ink, chosen }) => (
    <>
      <Circle
        cx={at!.x}
        cy={at!.y}
        r={rootReach(tree) * scale}
        fill="none"
        stroke={ink}
        strokeWidth={1}
        strokeDasharray="2 6"
      />
      <Circle
        cx={at!.x}
        cy={at!.y}
        r={((tree.crown ?? 6) / 2) * scale}
        fill="none"
        stroke={ink}
        strokeWidth={chosen ? 3 : 1.6}
      />
      <Circle cx={at!.x} cy={at!.y} r={Math.max(4, ((tree.trunk ?? 0.3) / 2) * scale)} fill={ink} />
    </>
  ),
};
