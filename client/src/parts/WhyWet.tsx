/** Why a place is wet, with what speaks for it, and what could be done: each a tap to put in, beside what it would give. */
import { changed, suggestionWords, whyWords, type WetSpot } from '@katabasis/core';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { planWith } from '../planning/planner';
import { useJob } from '../planning/useJob';
import { useWorked } from '../planning/useWorked';
import { useYard } from '../planning/useYard';
import type { Why } from '../planning/yardAnswers';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';
import { givesWords, type Gives } from './gives';
import { GivesLine } from './GivesLine';

const NOTHING: Why['offered'] = [];

export function WhyWet({ wet, onGo }: { wet: WetSpot; onGo: (id: string) => void }) {
  const { job, edit } = useJob();
  const { answer, behind } = useYard(job, 'why', wet.id);
  const offered = answer?.offered ?? NOTHING;
  // One after the other, each on its own turn: what it would give stands beside it when it is there.
  const gives = useWorked<ReadonlyMap<string, Gives>>([job, offered, behind], async (signal, give) => {
    if (behind) return;
    const known = new Map<string, Gives>();
    for (const { suggestion, made } of offered) {
      if (!made) continue;
      const plan = await planWith(job, made.change, signal);
      known.set(suggestionWords(job, suggestion), givesWords(changed(job, made.change), plan, made.id));
      give(new Map(known));
    }
  });
  if (!answer) return <Text tone="soft">Working out why it is wet.</Text>;
  const { found } = answer;
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
