/** The fix of a snag: one tap applies it, also a tap that comes while it is being worked out anew. */
import type { Fix, Snag } from '@katabasis/core';
import Wrench from 'lucide-react-native/icons/wrench';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { findFix } from '../planning/planner';
import { useLatestJob, useJob } from '../planning/useJob';
import { useWorked } from '../planning/useWorked';
import { useOutOfSight } from '../pace/inSight';
import { TOUCH } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';

const OTHER = 'What mends it has changed meanwhile; nothing was done.';

/** `instead` is said where nothing that was tried mends it. Sought `ahead` of being seen, or not before. */
export function FixButton({ snag, instead, ahead = true }: { snag: Snag; instead: string; ahead?: boolean }) {
  // What mends it was worked out on this very job: on any other it is not done.
  const { job, edit } = useJob();
  const fresh = useLatestJob();
  const unseen = useOutOfSight();
  const [said, setSaid] = useState<string | null>(null);
  /** What was pressed while it was pale; what was read when the finger came down. */
  const wanted = useRef<{ label: string; job: object } | null>(null);
  const read = useRef<string | null>(null);
  const [waits, setWaits] = useState(false);
  const apply = (label: string, found: Fix | null): void =>
    setSaid(found?.label === label ? edit(found.change) : OTHER);
  const stopWaiting = (): void => {
    wanted.current = null;
    setWaits(false);
  };
  // Worked out once the snag stands on the screen, and called off when it goes: no edit waits for it.
  const work = async (signal: AbortSignal, give: (fix: Fix | null) => void): Promise<void> =>
    give(await findFix(job, snag, signal, unseen));
  const fix = useWorked<Fix | null>([job, snag], work, unseen ? (ahead ? 'later' : null) : 'now');
  // Served from what is drawn, not from the work: it may have ended, or been known, before the press was heard.
  useEffect(() => {
    const pressed = wanted.current;
    const behind = fresh().job !== job;
    if (!pressed || behind || (fix === undefined && pressed.job === job)) return;
    stopWaiting();
    // Something else was done since it was pressed: it was meant for what stood before.
    if (pressed.job !== job) setSaid(OTHER);
    else apply(pressed.label, fix ?? null);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is drawn, and that it was pressed: with nothing else does a press come due
  }, [job, fix, waits]);
  // What mended it before stands there, pale, until it is known anew: nothing goes and comes under a thumb, and nothing old is done.
  const [last, setLast] = useState(fix);
  if (fix !== undefined && fix !== last) setLast(fix);
  const shown = fix === undefined ? last : fix;
  const touched = {
    onPointerDown: (): void => void (read.current = shown?.label ?? null),
  };
  const press = (): void => {
    const label = read.current ?? shown!.label;
    read.current = null;
    // What is drawn may be a moment behind: what is pressed then is found for the job as it is.
    const now = fresh().job;
    if (fix !== undefined && now === job) return apply(label, fix);
    wanted.current = { label, job: now };
    setSaid(null);
    setWaits(true);
  };
  // Its place is kept, so that nothing moves under a thumb when it is there.
  if (shown === undefined) return <View style={{ height: TOUCH }} />;
  return (
    <>
      {shown ? (
        <View style={{ flexDirection: 'row' }} {...(touched as object)}>
          <Button
            label={shown.label}
            icon={Wrench}
            kind="line"
            pale={fix === undefined && !waits}
            onPress={press}
            testID={`fix-${snag.code}`}
          />
        </View>
      ) : (
        <Text kind="small">{instead}</Text>
      )}
      {shown?.brings && (
        <View role="status">
          <Text kind="small">With it: {shown.brings.join(' ')}</Text>
        </View>
      )}
      {said !== null && (
        <View role="status">
          <Text kind="small">{said}</Text>
        </View>
      )}
    </>
  );
}
