/** Water that always runs. */
import { isLanding, nameOf, put, showFlow, type FixedFlow } from '@katabasis/core';
import { View } from 'react-native';
import { useKept } from '../data/useJob';
import { NameField, QuantityField } from '../input/Field';
import { flowEntry } from '../input/entry';
import { Feeds } from '../parts/Feeds';
import { ledTo, type ElementView } from './view';
import { footRow } from '../ui/rows';

/** Water that comes whatever the sky does. */
function Form({ element: source }: { element: FixedFlow }) {
  const { job, edit, units } = useKept();
  const save = (label: string, next: Partial<FixedFlow>): string | null => edit(put(label, { ...source, ...next }));
  const landings = job.elements.all.filter(isLanding).filter((landing) => landing.kind !== 'discharge');
  return (
    <>
      <View style={footRow}>
        <NameField label="Name" value={source.name} onCommit={(name) => save('Name it', { name })} />
        <QuantityField
          label="Runs at"
          value={source.flow}
          {...flowEntry(units)}
          onCommit={(flow) => save('Set its flow', { flow: flow! })}
        />
      </View>
      <Feeds
        label="Comes in at"
        feeds={source.feeds}
        targets={landings}
        none="Put in a basin or a downspout first."
        onChange={(feeds) => void save('Say where it comes in', { feeds })}
      />
    </>
  );
}

export const fixedFlowView: ElementView<FixedFlow> = {
  Form,
  list: {
    group: 'ground',
    about: (source, { job, units }) => ({
      about: ledTo(
        'always runs, to',
        source.feeds.map((feed) => nameOf(job, feed.to)),
      ),
      figure: showFlow(source.flow, units),
    }),
  },
};
