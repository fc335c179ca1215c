import {
  isLaid,
  freshId,
  invertSetAt,
  setInvert,
  landingWorking,
  METRES_PER_FOOT,
  nameOf,
  newRun,
  ofKind,
  put,
  freeInvert,
  showFlow,
  showSmall,
  waysOn,
  type LandingQuantity,
} from '@katabasis/core';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { levelEntry } from '../input/entry';
import { QuantityField } from '../input/Field';
import { Figure } from '../ui/Figure';
import { Text } from '../ui/Text';
import { WorkingPanel } from './WorkingPanel';
import { footRow } from '../ui/rows';

/** A first length until it is measured, m. */
const ASSUMED_LENGTH = 20 * METRES_PER_FOOT;

/** Where a landing's water goes on to, and the level of the pipe here. */
export function PipeFromHere({ id, onGo }: { id: string; onGo: (id: string) => void }) {
  const { job, plan, edit, units } = useJob();
  const [asked, setAsked] = useState<LandingQuantity | null>(null);
  const landing = plan.landings[id];
  const working = asked && landingWorking(job, plan, id, asked);
  const leaving = ofKind(job, 'run').find((run) => run.from === id && isLaid(run));
  if (!landing) return null;
  const held = invertSetAt(job, id);
  const letGo = freeInvert(job, id);
  const send = (to: string): void => {
    const run = { ...newRun(job, freshId('r'), id, to, ASSUMED_LENGTH), assumed: true };
    if (edit(put(`Run to ${nameOf(job, to)}`, run)) === null) onGo(run.id);
  };
  return (
    <View style={{ gap: SPACE.m }}>
      {working ? (
        <WorkingPanel working={working} onBack={() => setAsked(null)} />
      ) : (
        <View style={{ flexDirection: 'row', gap: SPACE.xl, flexWrap: 'wrap' }}>
          {landing.entering > 0 && (
            <Figure
              label="Comes in here"
              shown={showFlow(landing.entering, units)}
              onPress={() => setAsked('entering')}
            />
          )}
          {landing.waterLevel !== null && (
            <Figure
              label={
                landing.waterLevel > landing.groundLevel
                  ? 'Water line, over the ground'
                  : 'Water line, below the ground'
              }
              shown={showSmall(Math.abs(landing.groundLevel - landing.waterLevel), units)}
              {...(landing.waterLevel > landing.groundLevel ? { tone: 'stop' as const } : {})}
              onPress={() => setAsked('water')}
            />
          )}
          <Figure
            label={landing.kind === 'discharge' ? 'Lets out' : 'Goes on from here'}
            shown={showFlow(landing.passing, units)}
            onPress={() => setAsked('passing')}
          />
        </View>
      )}
      {landing.invert !== null && (
        <View style={footRow}>
          <QuantityField
            name="invert"
            label={held === undefined ? 'Pipe’s invert here, finds its own' : 'Pipe’s invert here, set by you'}
            value={landing.invert}
            {...levelEntry(units)}
            testID="landing-invert"
            onCommit={(level) => {
              const change = setInvert(job, id, level!);
              return change ? edit(change) : null;
            }}
          />
          {letGo && <Button label="Let it find its own" onPress={() => edit(letGo)} />}
        </View>
      )}
      {landing.kind !== 'discharge' &&
        (leaving ? (
          <View style={{ flexDirection: 'row' }}>
            <Button label={`Pipe on to ${nameOf(job, leaving.to)}`} icon={ArrowDown} onPress={() => onGo(leaving.id)} />
          </View>
        ) : waysOn(job, id).length === 0 ? (
          <Text>No way on yet: put in a way out first.</Text>
        ) : (
          <Choice
            label="Send its water on to"
            value={null}
            options={waysOn(job, id).map((to) => ({ value: to.id, label: to.name }))}
            onChoose={send}
          />
        ))}
    </View>
  );
}
