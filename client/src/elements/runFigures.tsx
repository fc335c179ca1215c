/** What runs in a pipe, how it lies, and each figure's way to its working. */
import {
  showFlow,
  showLevel,
  showSeconds,
  showSmall,
  showVelocity,
  type RunPlan,
  type RunQuantity,
} from '@katabasis/core';
import { View } from 'react-native';
import { usePreview } from '../planning/useJob';
import { Bubble } from '../drawing/Bubble';
import { Eye } from '../drawing/Eye';
import { SPACE } from '../theme/tokens';
import { Figure } from '../ui/Figure';

export function RunFigures({ run, onAsk }: { run: RunPlan; onAsk: (quantity: RunQuantity) => void }) {
  const { units, plan } = usePreview();
  const { cover } = run;
  const figures: {
    quantity: RunQuantity;
    label: string;
    shown: { value: string; unit: string };
    tone?: 'stop' | 'fix';
  }[] = [
    { quantity: 'depth', label: 'Water in it', shown: showSmall(run.depth, units) },
    {
      quantity: 'velocity',
      label: 'Speed',
      shown: showVelocity(run.velocity, units),
      ...(run.topVelocity > plan.settings.stopVelocity ? { tone: 'stop' as const } : {}),
    },
    {
      quantity: 'travelTime',
      label: 'Time to run through',
      shown: showSeconds(run.travelTime),
    },
    { quantity: 'drop', label: 'Drops', shown: showSmall(run.drop, units) },
    {
      quantity: 'cover',
      label: 'Cover',
      shown: showSmall(cover, units),
      ...(cover < run.leastCover - 0.0005 ? { tone: 'fix' as const } : {}),
    },
    {
      quantity: 'shear',
      label: 'Keeps clean',
      shown: { value: run.cleans ? 'Yes' : 'No', unit: '' },
      ...(run.cleans ? {} : { tone: 'fix' as const }),
    },
    {
      quantity: 'water',
      label: 'Water at its head',
      shown: showLevel(run.waterUp, units),
      ...(run.waterUp > run.groundUp ? { tone: 'stop' as const } : {}),
    },
    { quantity: 'inverts', label: 'Starts at', shown: showLevel(run.invertUp, units) },
  ];
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.l, flexWrap: 'wrap' }}>
        <Eye depthRatio={run.depthRatio} overloaded={run.overloaded} size={76} />
        <Figure
          label="Carries"
          shown={showFlow(run.flow, units)}
          size="hero"
          {...(run.overloaded ? { tone: 'fix' as const } : {})}
          onPress={() => onAsk('flow')}
        />
        <Figure
          label="Holds full"
          shown={showFlow(run.capacity, units)}
          size="hero"
          onPress={() => onAsk('capacity')}
        />
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl, rowGap: 2 }}>
        {figures.map(({ quantity, ...figure }) => (
          <Figure key={figure.label} {...figure} onPress={() => onAsk(quantity)} />
        ))}
        <View style={{ justifyContent: 'flex-end', paddingBottom: 8 }}>
          <Bubble pitch={run.pitch} linePitch={plan.settings.levelLinePitch} width={96} />
        </View>
      </View>
    </View>
  );
}
