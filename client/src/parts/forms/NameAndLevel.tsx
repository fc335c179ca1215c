/** Name of a landing and the level of its ground. */
import { put, type Landing } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { levelEntry } from '../../input/entry';
import { fieldRow } from '../../ui/rows';
import { OwnName } from './OwnName';

interface Props {
  landing: Landing;
  /** What its level is the level of; null where that follows from elsewhere. */
  levelLabel: string | null;
}

export function NameAndLevel({ landing, levelLabel }: Props) {
  return (
    <View style={fieldRow}>
      <OwnName element={landing} />
      {levelLabel !== null && <GroundLevel landing={landing} label={levelLabel} />}
    </View>
  );
}

/** The level of its ground alone. */
export function GroundLevel({ landing, label }: { landing: Landing; label: string }) {
  const { plan, edit, units } = useJob();
  const onGround = landing.levelFrom === 'ground' && plan.landings[landing.id] !== undefined;
  const setLevel = (groundLevel: number): string | null => {
    const next = { ...landing, groundLevel };
    delete next.levelFrom;
    // A measured level is no longer assumed.
    if (next.kind === 'discharge') delete next.assumed;
    return edit(put(`Set level of ${landing.name}`, next));
  };
  return (
    <QuantityField
      label={label}
      value={onGround ? plan.landings[landing.id]!.groundLevel : landing.groundLevel}
      {...levelEntry(units)}
      onCommit={(level) => setLevel(level!)}
      testID="ground-level"
      hint={onGround ? 'Off the ground there; typed, it stays as typed' : 'Above or below the job’s zero'}
    />
  );
}
