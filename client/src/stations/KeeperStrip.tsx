/** What is kept where, said only when there is something to say. */
import { nameOf, type Job } from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Asking, Held } from '../sync/keeping';
import type { Session } from '../sync/session';
import { jobKey } from '../sync/keys';
import { useJob, useSession } from '../planning/useJob';
import { UnsentFiles } from '../parts/UnsentFiles';
import { picturesOf } from '../files/unsent';
import { differencesOf, fieldWords, type Difference } from '../parts/differences';
import { useStyles } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';

const make = (palette: Palette) => ({
  strip: {
    backgroundColor: palette.bank,
    borderBottomWidth: 1,
    borderBottomColor: palette.line,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.s,
    gap: SPACE.s,
  },
  row: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: SPACE.s },
});

const HELD: Record<Held, string> = {
  full: 'this device has no room left',
  failed: 'this device could not write it down',
  unread: 'this device keeps nothing of this job',
  nothing: 'this browser lets nothing be kept on this device',
};

export function KeeperStrip() {
  const { job } = useJob();
  const { session, keeping, keepsNothing, asking } = useSession();
  const client = useQueryClient();
  const styles = useStyles(make);
  if (keeping.state === 'waiting') {
    return (
      <View style={styles.strip} role="status">
        <Text>
          {keeping.why ?? 'The server is out of reach.'}{' '}
          {keeping.count === 1 ? 'One change is' : `${keeping.count} changes are`}{' '}
          {keeping.held === null
            ? 'kept on this device and will be sent.'
            : `held on this page only, as ${HELD[keeping.held]}: keep it open until ${keeping.count === 1 ? 'it is' : 'they are'} sent.`}
        </Text>
        <View style={styles.row}>
          <Button label="Try now" onPress={() => void session.flush()} />
        </View>
      </View>
    );
  }
  if (asking) return <AskStep asking={asking} job={job} session={session} />;
  if (keeping.state === 'conflict') {
    const names = keeping.collisions
      .map(({ id, theirs }) => (theirs && 'name' in theirs && theirs.name ? theirs.name : nameOf(job, id)))
      .join(', ');
    return (
      <View style={styles.strip} role="alert">
        <Text kind="strong">Another device changed {names} meanwhile.</Text>
        <Text>Yours: “{keeping.label}”. Keep yours over it, or take theirs?</Text>
        <Versions lines={differencesOf(job, keeping.collisions)} />
        <View style={styles.row}>
          <Button label="Keep mine" onPress={() => session.resolve('mine')} />
          <Button label="Take theirs" onPress={() => session.resolve('theirs')} />
        </View>
      </View>
    );
  }
  if (keeping.state === 'refused') {
    const drop = (): void => {
      session.dropRefused();
      void client.refetchQueries({ queryKey: jobKey(session.id) });
    };
    if (keeping.gone) return <TakenOut label={keeping.label} session={session} onGiveUp={drop} />;
    return (
      <View style={styles.strip} role="alert">
        <Text kind="strong">
          “{keeping.label}” could not be saved: {keeping.sentence}
        </Text>
        <View style={styles.row}>
          <Button label="Give that change up" onPress={drop} />
        </View>
      </View>
    );
  }
  if (keepsNothing)
    return (
      <View style={styles.strip} role="status">
        <Text>
          What this device kept of the job cannot be read. It is open as the server has it, and what you do goes there
          at once; nothing is kept on this device.
        </Text>
      </View>
    );
  return <PicturesStrip />;
}

/** Pictures of this job that the server has not got. */
function PicturesStrip() {
  const { job } = useJob();
  const styles = useStyles(make);
  const named = useMemo(() => picturesOf(job), [job]);
  return <UnsentFiles named={named} style={styles.strip} />;
}

/** The job was taken out while this was typed: it comes back whole, with what waits here. */
function TakenOut({ label, session, onGiveUp }: { label: string; session: Session; onGiveUp: () => void }) {
  const styles = useStyles(make);
  const [wrong, setWrong] = useState<string | null>(null);
  return (
    <View style={styles.strip} role="alert">
      <Text kind="strong">Another device took this job out. “{label}” and what was done after it are still here.</Text>
      {wrong !== null && <Text>{wrong}</Text>}
      <View style={styles.row}>
        <Button label="Bring the job back" onPress={() => void session.bringBack().then(setWrong)} />
        <Button label="Give that change up" onPress={onGiveUp} />
      </View>
    </View>
  );
}

/** A step that somebody else's work lies over: taken back all the same, or left. */
function AskStep({ asking, job, session }: { asking: Asking; job: Job; session: Session }) {
  const styles = useStyles(make);
  const { word, label, differing } = asking;
  const names = [...new Set(differing.map(({ id }) => nameOf(job, id)))].join(', ');
  const fields = [...new Set(differing.flatMap(({ field }) => (field === null ? [] : [fieldWords(field)])))].join(', ');
  const again = (): void => (word === 'Undo' ? session.undo(true) : session.redo(true));
  return (
    <View style={styles.strip} role="alert">
      <Text kind="strong">
        {fields === ''
          ? `Since “${label}”, ${names} was changed by another device, or something came to depend on it.`
          : `Since “${label}”, another device changed the ${fields} of ${names}.`}
      </Text>
      <View style={styles.row}>
        <Button label="Leave it as it is" onPress={() => session.leaveStep()} />
        <Button label={`${word} mine all the same`} onPress={again} />
      </View>
    </View>
  );
}

/** Both versions of what a conflict is about, field by field. */
function Versions({ lines }: { lines: readonly Difference[] }) {
  return (
    <View role="list">
      {lines.map(({ id, field, name, mine, theirs }) => (
        <Text key={`${id} ${field}`} role="listitem">
          {name}, {field}: yours {mine}, theirs {theirs}
        </Text>
      ))}
    </View>
  );
}
