/** What it sheds, with its working on asking. */
import {
  coefficientOf,
  contributingAreaWorking,
  put,
  showArea,
  showFlow,
  type RoofFace,
  type Surface,
} from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { QuantityField } from '../input/Field';
import { coefficientEntry } from '../input/entry';
import { without } from '../input/without';
import { SPACE } from '../theme/tokens';
import { Figure } from '../ui/Figure';
import { WorkingPanel } from './WorkingPanel';
export function Sheds({ element }: { element: RoofFace | Surface }) {
  const { job, plan, units } = useJob();
  const [open, setOpen] = useState(false);
  const shed = plan.sources.contributingAreas.find((each) => each.id === element.id);
  const working = open ? contributingAreaWorking(job, plan, element.id) : null;
  if (!shed) return null;
  if (working) return <WorkingPanel working={working} onBack={() => setOpen(false)} />;
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
      <Figure
        label="Sheds"
        shown={showFlow(shed.effectiveArea * plan.rain, units)}
        size="hero"
        onPress={() => setOpen(true)}
      />
      <Figure label="Gathers over" shown={showArea(shed.area, units)} size="hero" onPress={() => setOpen(true)} />
    </View>
  );
}

export function Coefficient({ element }: { element: RoofFace | Surface }) {
  const { edit } = useJob();
  return (
    <QuantityField
      name="coefficient"
      label={element.coefficient === undefined ? 'Runoff coefficient, usual' : 'Runoff coefficient, set by you'}
      value={coefficientOf(element)}
      {...coefficientEntry}
      optional
      onCommit={(coefficient) => edit(put('Set runoff coefficient', without(element, 'coefficient', coefficient)))}
    />
  );
}
