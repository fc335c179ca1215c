/** What a work does in the design rain; a figure that comes of a sum opens its working. */
import { workFacts, workWorking, type Element } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { usePreview } from '../planning/useJob';
import { Figure } from '../ui/Figure';
import { figureRow } from '../ui/rows';
import { WorkingPanel } from './WorkingPanel';

/** Facts that stand large: what comes, and what it can do with it. */
const HEROES = 2;

export function WorkFacts({ element }: { element: Element }) {
  const { job, plan } = usePreview();
  const [asked, setAsked] = useState<string | null>(null);
  const facts = workFacts(job, plan, element.id);
  if (facts.length === 0) return null;
  const working = asked === null ? null : workWorking(job, plan, element.id, asked)?.();
  if (working) return <WorkingPanel working={working} onBack={() => setAsked(null)} />;
  return (
    <View style={figureRow} aria-live="polite">
      {facts.map(({ label, shown, tone }, k) => (
        <Figure
          key={label}
          label={label}
          shown={shown}
          size={k < HEROES ? 'hero' : 'figure'}
          {...(tone ? { tone } : {})}
          {...(workWorking(job, plan, element.id, label) ? { onPress: () => setAsked(label) } : {})}
        />
      ))}
    </View>
  );
}
