/** Why a place is wet, with what speaks for it, and what could be done: each a tap to put in. */
import {
  diagnose,
  freeName,
  freshId,
  groundOf,
  newRun,
  ofKind,
  onPlan,
  runAlong,
  suggestionWords,
  waysOut,
  whyWords,
  type Basin,
  type Change,
  type Element,
  type Job,
  type Suggestion,
  type WetSpot,
} from '@katabasis/core';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { useKept } from '../data/useJob';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';

/** What a suggestion puts in; null of one that is done on site. */
function changeOf(job: Job, suggestion: Suggestion): { change: Change; id: string } | null {
  if (suggestion.type === 'basin') {
    const basin = onPlan(
      { id: freshId('basin'), kind: 'basin', name: freeName(job, 'Basin'), grate: 'flat12', groundLevel: 0 } as Basin,
      suggestion.place,
    );
    return {
      change: { label: 'Put in a catch basin', puts: [basin, ...ledOff(job, basin)], removes: [] },
      id: basin.id,
    };
  }
  if (suggestion.type === 'leadOff') {
    const downspout = job.elements.get(suggestion.downspout);
    const puts = downspout ? ledOff(job, downspout) : [];
    return puts.length > 0 ? { change: { label: 'Lead the downspout off', puts, removes: [] }, id: puts[0]!.id } : null;
  }
  return null;
}

/** A pipe from something new to the way out that is best for it; none where there is none on the plan. */
function ledOff(job: Job, from: Element): Element[] {
  if (!('place' in from) || !from.place) return [];
  // The level that it will stand at: its own figure is only a stand-in.
  const level = groundOf(job).surface?.levelAt(from.place) ?? ('groundLevel' in from ? from.groundLevel : 0);
  const best = waysOut(job, { place: from.place, level, id: from.id })?.ways[0];
  return best ? [runAlong(newRun(job, freshId('run'), from.id, best.id, Math.max(0.1, best.length)), best.route)] : [];
}

export function WhyWet({ wet, onGo }: { wet: WetSpot; onGo: (id: string) => void }) {
  const { job, edit } = useKept();
  const found = diagnose(job, wet);
  if (!found) return <Text tone="soft">Put it on the ground plan, and the levels can say why it is wet.</Text>;
  const { headline, causes, doubts } = whyWords(job, found);
  const taken = ofKind(job, 'basin').some(
    ({ place }) =>
      place &&
      found.suggestions.some(
        (each) =>
          each.type === 'basin' && Math.hypot(each.place.east - place.east, each.place.north - place.north) < 0.5,
      ),
  );
  return (
    <View style={{ gap: SPACE.s }} testID="why-wet">
      <Text kind="heading">{headline}</Text>
      {causes.map(({ title, because }) => (
        <View key={title}>
          <Text kind="strong">{title}</Text>
          {because.map((each) => (
            <Text key={each}>{each}</Text>
          ))}
        </View>
      ))}
      {doubts.length > 0 && (
        <View>
          <Text kind="strong">What would change this</Text>
          {doubts.map((each) => (
            <Text key={each}>{each}</Text>
          ))}
        </View>
      )}
      {found.suggestions.map((suggestion) => {
        const words = suggestionWords(job, suggestion);
        const made = suggestion.type === 'basin' && taken ? null : changeOf(job, suggestion);
        if (!made) return suggestion.type === 'basin' ? null : <Text key={words}>{words}.</Text>;
        return (
          <View key={words} style={{ flexDirection: 'row' }}>
            <Button
              label={words}
              icon={Plus}
              kind="main"
              onPress={() => {
                if (edit(made.change) === null) onGo(made.id);
              }}
              testID={`suggest-${suggestion.type}`}
            />
          </View>
        );
      })}
    </View>
  );
}
