/** Why a place is wet, with what speaks for it, and what could be done: each a tap to put in, beside what it would give. */
import {
  changed,
  diagnose,
  ofKind,
  suggestedChange,
  suggestionWords,
  whyWords,
  type Job,
  type Suggested,
  type Suggestion,
  type WetSpot,
} from '@katabasis/core';
import Plus from 'lucide-react-native/icons/plus';
import { useMemo } from 'react';
import { View } from 'react-native';
import { planWith } from '../data/planner';
import { useKept } from '../data/useJob';
import { useWorked } from '../data/useWorked';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';
import { givesWords, type Gives } from './gives';
import { GivesLine } from './GivesLine';

interface Offered {
  suggestion: Suggestion;
  made: Suggested | null;
}

/** Near enough to be the basin that was suggested, m. */
const THERE = 0.5;

/** What is suggested and is not there yet. */
function offeredFor(job: Job, wet: WetSpot): Offered[] {
  const standing = ofKind(job, 'basin');
  return (diagnose(job, wet)?.suggestions ?? []).flatMap((suggestion) => {
    const taken =
      suggestion.type === 'basin' &&
      standing.some(
        ({ place }) =>
          place && Math.hypot(suggestion.place.east - place.east, suggestion.place.north - place.north) < THERE,
      );
    return taken ? [] : [{ suggestion, made: suggestedChange(job, suggestion) }];
  });
}

export function WhyWet({ wet, onGo }: { wet: WetSpot; onGo: (id: string) => void }) {
  const { job, edit } = useKept();
  const found = useMemo(() => diagnose(job, wet), [job, wet]);
  const offered = useMemo(() => offeredFor(job, wet), [job, wet]);
  // One after the other, each on its own turn: what it would give stands beside it when it is there.
  const gives = useWorked<ReadonlyMap<string, Gives>>([job, offered], async (signal, give) => {
    const known = new Map<string, Gives>();
    for (const { suggestion, made } of offered) {
      if (!made) continue;
      const plan = await planWith(job, made.change, signal);
      known.set(suggestionWords(job, suggestion), givesWords(changed(job, made.change), plan, made.id));
      give(new Map(known));
    }
  });
  if (!found) return <Text tone="soft">Put it on the ground plan, and the levels can say why it is wet.</Text>;
  const { headline, causes, doubts } = whyWords(job, found);
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
      {offered.length > 0 && <Text kind="strong">What could be done</Text>}
      {offered.map(({ suggestion, made }) => {
        const words = suggestionWords(job, suggestion);
        if (!made) return suggestion.type === 'basin' ? null : <Text key={words}>{words}.</Text>;
        const gave = gives?.get(words);
        return (
          <View key={words} style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
            <Button
              label={words}
              icon={Plus}
              onPress={() => {
                if (edit(made.change) === null) onGo(made.id);
              }}
              testID={`suggest-${suggestion.type}`}
            />
            {gave && <GivesLine {...gave} />}
          </View>
        );
      })}
    </View>
  );
}
