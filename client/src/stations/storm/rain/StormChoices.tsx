/** Which storm: how much and how long it rains, onto what ground, and what fails in it. */
import { useState } from 'react';
import { View } from 'react-native';
import type { Askable, AskedStorm } from '../../../planning/storm.worker';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';

const LENGTHS = [1800, 3600, 10_800, 21_600] as const;
const LENGTH_WORDS: Record<(typeof LENGTHS)[number], string> = {
  1800: '30 minutes',
  3600: '1 hour',
  10_800: '3 hours',
  21_600: '6 hours',
};
const NOTHING = 'nothing';

interface Props {
  asked: AskedStorm;
  askable: Askable;
  /** How its rarer rain is called. */
  rarer: string;
  onAsk: (asked: AskedStorm) => void;
}

const keyOf = ({ kind, id }: AskedStorm['failing'][number]): string => `${kind} ${id}`;

export function StormChoices({ asked, askable, rarer, onAsk }: Props) {
  const [more, setMore] = useState(false);
  const failing = asked.failing[0];
  return (
    <View style={{ gap: SPACE.m }}>
      {askable.failures.length > 0 && (
        <Choice
          label="What fails"
          value={failing ? keyOf(failing) : NOTHING}
          options={[
            { value: NOTHING, label: 'Nothing' },
            ...askable.failures.map(({ failure, label }) => ({ value: keyOf(failure), label })),
          ]}
          onChoose={(key) => {
            const found = askable.failures.find(({ failure }) => keyOf(failure) === key);
            onAsk({ ...asked, failing: found ? [found.failure] : [] });
          }}
        />
      )}
      {askable.rains.length > 1 && (
        <Choice
          label="Rain"
          value={asked.rain}
          options={[
            { value: 'design', label: 'Design rain' },
            { value: 'rarer', label: rarer },
          ]}
          onChoose={(rain) => onAsk({ ...asked, rain })}
        />
      )}
      <Button
        label={more ? 'Less about the storm' : 'How long, how, onto what ground'}
        kind="line"
        onPress={() => setMore(!more)}
        testID="storm-more"
      />
      {more && (
        <>
          <Choice
            label="It rains for"
            value={String(asked.length)}
            options={LENGTHS.map((length) => ({ value: String(length), label: LENGTH_WORDS[length] }))}
            onChoose={(length) => onAsk({ ...asked, length: Number(length) })}
          />
          <Choice
            label="It falls"
            value={asked.shape}
            options={[
              { value: 'middle', label: 'Hardest in its middle' },
              { value: 'front', label: 'Hardest at first' },
              { value: 'late', label: 'Hardest at last' },
              { value: 'triangle', label: 'Rising and falling' },
              { value: 'block', label: 'Evenly' },
            ]}
            onChoose={(shape) => onAsk({ ...asked, shape })}
          />
          <Choice
            label="How often"
            value={asked.again ? 'twice' : 'once'}
            options={[
              { value: 'once', label: 'Once' },
              { value: 'twice', label: 'Again six hours later' },
            ]}
            onChoose={(often) => onAsk({ ...asked, again: often === 'twice' })}
          />
          <Choice
            label="The ground before it"
            value={asked.wetness}
            options={[
              { value: 'dry', label: 'Dry' },
              { value: 'ordinary', label: 'Ordinary' },
              { value: 'soaked', label: 'Soaked' },
            ]}
            onChoose={(wetness) => onAsk({ ...asked, wetness })}
          />
        </>
      )}
    </View>
  );
}
