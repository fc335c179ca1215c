/** What a work does in the design rain. */
import { workFacts, type Element } from '@katabasis/core';
import { View } from 'react-native';
import { usePreview } from '../planning/useJob';
import { Figure } from '../ui/Figure';
import { figureRow } from '../ui/rows';

/** Facts that stand large: what comes, and what it can do with it. */
const HEROES = 2;

export function WorkFacts({ element }: { element: Element }) {
  const { job, plan } = usePreview();
  const facts = workFacts(job, plan, element.id);
  if (facts.length === 0) return null;
  return (
    <View style={figureRow} aria-live="polite">
      {facts.map(({ label, shown, tone }, k) => (
        <Figure
          key={label}
          label={label}
          shown={shown}
          size={k < HEROES ? 'hero' : 'figure'}
          {...(tone ? { tone } : {})}
        />
      ))}
    </View>
  );
}
