import { snagKey, tellSnag, type Fix, type Snag } from '@katabasis/core';
import Wrench from 'lucide-react-native/icons/wrench';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useKept } from '../data/useJob';
import { useStyles } from '../theme/theme';
import { SPACE, TOUCH, type Palette } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Mark, MARK_WORDS } from '../ui/Mark';
import { Text } from '../ui/Text';
import { findFix } from '../data/planner';
import { useWorked } from '../data/useWorked';

const make = (palette: Palette) => ({
  item: {
    flexDirection: 'row' as const,
    gap: SPACE.m,
    paddingVertical: SPACE.m,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    // Of a long list only what is in sight is laid out.
    ...({ contentVisibility: 'auto', containIntrinsicSize: 'auto 150px' } as object),
  },
  words: { flex: 1, gap: 6 },
  tapped: { minHeight: TOUCH, justifyContent: 'center' as const },
  sought: { height: TOUCH },
});

const TONES = { stop: 'stop', fix: 'fix', mind: 'soft' } as const;

/** One snag: what, why, and the mend that one tap applies. */
export function SnagItem({ snag, onGo }: { snag: Snag; onGo?: (id: string) => void }) {
  // What mends it was worked out on this very job: on any other it is not done.
  const { job, plan, edit } = useKept();
  const styles = useStyles(make);
  const words = useMemo(() => tellSnag(job, plan, snag), [job, plan, snag]);
  // Worked out once the snag stands on the screen, and called off when it goes: no edit waits for it.
  const fix = useWorked<Fix | null>([job, snag], async (signal, give) => give(await findFix(job, snag, signal)));
  // What mended it before stands there, pale, until it is known anew: nothing goes and comes under a thumb, and nothing old is done.
  const [last, setLast] = useState(fix);
  if (fix !== undefined && fix !== last) setLast(fix);
  const shown = fix === undefined ? last : fix;
  return (
    <View style={styles.item} testID={`snag-${snag.code}`}>
      <Mark kind={snag.severity} size={24} />
      <View style={styles.words}>
        <Pressable
          style={onGo ? styles.tapped : null}
          {...(onGo ? { role: 'button' as const, onPress: () => onGo(snag.at) } : { disabled: true })}
        >
          <Text kind="strong">
            <Text kind="strong" tone={TONES[snag.severity]}>
              {MARK_WORDS[snag.severity]}.{' '}
            </Text>
            {words.headline}
          </Text>
        </Pressable>
        <Text kind="small">{words.why}</Text>
        {shown === undefined ? (
          // Its place is kept, so that nothing moves under a thumb when it is there.
          <View style={styles.sought} />
        ) : shown ? (
          <View style={{ flexDirection: 'row' }}>
            <Button
              label={shown.label}
              icon={Wrench}
              kind="line"
              disabled={fix === undefined}
              onPress={() => fix && edit(fix.change)}
              testID={`fix-${snag.code}`}
            />
          </View>
        ) : (
          <Text kind="small">{words.instead ?? 'No single change that was tried mends this.'}</Text>
        )}
      </View>
    </View>
  );
}

/** The snags that stand at an element; nothing where there is none. */
export function SnagsAt({ id }: { id: string }) {
  const { plan } = useKept();
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
