import { snagKey, tellSnag, type Snag } from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { useStyles } from '../theme/theme';
import { SPACE, TOUCH, type Palette } from '../theme/tokens';
import { Mark, MARK_WORDS } from '../ui/Mark';
import { Press } from '../ui/Press';
import { Text } from '../ui/Text';
import { Acceptance } from './Acceptance';
import { FixButton } from './FixButton';

const make = (palette: Palette) => ({
  item: {
    flexDirection: 'row' as const,
    gap: SPACE.m,
    paddingVertical: SPACE.m,
    borderTopWidth: 1,
    borderTopColor: palette.line,
  },
  words: { flex: 1, gap: 6 },
  tapped: { minHeight: TOUCH, justifyContent: 'center' as const },
});

const TONES = { stop: 'stop', fix: 'fix', mind: 'soft' } as const;

interface Props {
  snag: Snag;
  onGo?: (id: string) => void;
  /** Whether its fix is sought before anybody sees it. */
  ahead?: boolean;
}

/** One snag: what, why, and the fix that one tap applies. */
export function SnagItem({ snag, onGo, ahead = true }: Props) {
  const { job, plan } = useJob();
  const styles = useStyles(make);
  const words = useMemo(() => tellSnag(job, plan, snag), [job, plan, snag]);
  const headline = (
    <Text kind="strong">
      <Text kind="strong" tone={TONES[snag.severity]}>
        {MARK_WORDS[snag.severity]}.{' '}
      </Text>
      {words.headline}
    </Text>
  );
  return (
    <View style={styles.item} testID={`snag-${snag.code}`}>
      <Mark kind={snag.severity} size={24} />
      <View style={styles.words}>
        {onGo ? (
          <Press role="button" onPress={() => onGo(snag.at)} style={styles.tapped}>
            {headline}
          </Press>
        ) : (
          headline
        )}
        <Text kind="small">{words.why}</Text>
        {!snag.accepted && (
          <FixButton
            snag={snag}
            ahead={ahead}
            instead={words.instead ?? 'No single change that was tried mends this.'}
          />
        )}
        {snag.severity !== 'stop' && <Acceptance snag={snag} />}
      </View>
    </View>
  );
}

/** The snags that stand at an element; nothing where there is none. */
export function SnagsAt({ id }: { id: string }) {
  const { plan } = useJob();
  const own = plan.snags.filter((snag) => snag.at === id);
  if (own.length === 0) return null;
  return (
    <View>
      {own.map((snag) => (
        <SnagItem key={snagKey(snag)} snag={snag} />
      ))}
    </View>
  );
}
