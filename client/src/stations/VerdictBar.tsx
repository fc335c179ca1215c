/** The verdict of the open job: one sentence, and a tap on it goes to what it is about. */
import { memo } from 'react';
import { View } from 'react-native';
import { type OpenJob, usePreviewOf } from '../planning/useJob';
import { useStyles } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Mark, MARK_WORDS, type MarkKind } from '../ui/Mark';
import { Press } from '../ui/Press';
import { Text } from '../ui/Text';
import type { useGo } from './useGo';

const make = (_palette: Palette) => ({
  verdict: {
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: 10,
    minHeight: 44,
    paddingHorizontal: SPACE.s,
  },
});

/** The verdict on the job as shown: it changes under the finger. */
export function ShownVerdict({ go }: { go: ReturnType<typeof useGo> }) {
  return <VerdictBar {...usePreviewOf(verdictWords)} go={go} />;
}

function verdictWords({ plan }: OpenJob): Omit<VerdictProps, 'go'> {
  const { state, sentence, at, stops, fixes, minds } = plan.verdict;
  const more = [stops > 0 && `${stops} Stop`, fixes > 0 && `${fixes} Fix`, minds > 0 && `${minds} Mind`]
    .filter((part) => part !== false)
    .join(' · ');
  return { state, sentence, at, more };
}

interface VerdictProps {
  state: MarkKind;
  sentence: string;
  at: string | null;
  more: string;
  go: ReturnType<typeof useGo>;
}

const VerdictBar = memo(function VerdictBar({ state, sentence, at, more, go }: VerdictProps) {
  const styles = useStyles(make);
  return (
    <Press
      role="button"
      aria-label={`Verdict: ${MARK_WORDS[state]}. ${sentence}`}
      disabled={at === null}
      onPress={() => go(at === 'rain' ? 'walk' : 'plan', at)}
      style={styles.verdict}
      testID="verdict"
    >
      <Mark kind={state} size={28} />
      <View style={{ flex: 1 }} aria-live="polite">
        <Text kind="heading" role="none">
          {sentence}
        </Text>
        {more !== '' && <Text kind="small">{more}</Text>}
      </View>
    </Press>
  );
});
