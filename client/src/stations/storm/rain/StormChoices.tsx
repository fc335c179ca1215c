/** Which storm: how much and how long it rains, onto what ground, and what fails in it. */
import { useState } from 'react';
import { View } from 'react-native';
import type { AskedStorm } from '../../../planning/askedStorm';
import type { Askable } from '../../../planning/storm.worker';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { FailingChoices } from './FailingChoices';
import { GaugeRain } from './GaugeRain';

const LENGTHS = [1800, 3600, 10_800, 21_600] as const;
const LENGTH_WORDS: Record<(typeof LENGTHS)[number], string> = {
  1800: '30 minutes',
  3600: '1 hour',
  10_800: '3 hours',
  21_600: '6 hours',
};

interface Props {
  asked: AskedStorm;
  askable: Askable;
  /** How its rarer rain is called. */
  rarer: string;
  /** s that the storm is followed for. */
  length: number;
  onAsk: (asked: AskedStorm) => void;
}

export function StormChoices({ asked, askable, rarer, length, onAsk }: Props) {
  const [more, setMore] = useState(false);
  const isGauge = asked.rain === 'gauge';
  return (
    <View style={{ gap: SPACE.m }}>
      <FailingChoices asked={asked} askable={askable} length={length} onAsk={onAsk} />
      <Choice
        label="Rain"
        value={asked.rain}
        options={[
          { value: 'design', label: 'Design rain' },
          ...(askable.rains.includes('rarer') ? [{ value: 'rarer' as const, label: rarer }] : []),
          { value: 'gauge', label: 'Typed or a gauge’s' },
        ]}
        onChoose={(rain) => onAsk({ ...asked, rain })}
      />
      {isGauge && <GaugeRain text={asked.gauge} onText={(gauge) => onAsk({ ...asked, gauge })} />}
      <Button
        label={more ? 'Less about the storm' : isGauge ? 'Onto what ground' : 'How long, how, onto what ground'}
        kind="line"
        onPress={() => setMore(!more)}
        testID="storm-more"
      />
      {more && (
        <>
          {!isGauge && <MadeRain asked={asked} onAsk={onAsk} />}
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

/** How a storm is made of the job's own table. */
function MadeRain({ asked, onAsk }: Pick<Props, 'asked' | 'onAsk'>) {
  return (
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
    </>
  );
}
