/** One job of the list: what it is called, what stands worst with it, and what can be done with it. */
import type { JobRow as Row, JobState } from '@katabasis/core/first';
import { useRouter } from 'expo-router';
import Copy from 'lucide-react-native/icons/copy';
import Download from 'lucide-react-native/icons/download';
import Trash from 'lucide-react-native/icons/trash';
import { View } from 'react-native';
import { STATE_WORDS } from '../../elements/jobWords';
import { mayBegin } from '../../sync/device/mayBegin';
import { usePalette, useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark, MARK_WORDS } from '../../ui/Mark';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { dayOf, daysOf, momentOf } from './moments';
import { SketchOfJob } from './SketchOfJob';

const make = (palette: Palette) => ({
  row: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.m, gap: SPACE.xs },
  looked: { backgroundColor: palette.bank },
  open: { flexDirection: 'row' as const, gap: SPACE.m, alignItems: 'flex-start' as const, minHeight: 56 },
  tools: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: SPACE.xs, marginLeft: 36 },
});

interface Props {
  row: Row;
  /** Made here and not on the server yet. */
  unsent: boolean;
  /** Changes that wait on this device. */
  waiting: number;
  onCopy: (row: Row) => void;
  onSave: (row: Row) => void;
  onRemove: (row: Row) => void;
  /** On a wide screen: that it is pointed at, and whether it is what stands beside the list. */
  onLook?: (row: Row) => void;
  looked?: boolean;
}

const BEING_WORKED_OUT = 'Its verdict is being worked out.';

function aboutOf({ client, site, state, date, updatedAt }: Row): string {
  const when = [state && STATE_WORDS[state satisfies JobState], date && dayOf(date)].filter(Boolean).join(' ');
  return [client, site, when, `changed ${momentOf(updatedAt)}`].filter(Boolean).join(' · ');
}

const costs = ({ price, days: count, asks }: NonNullable<Row['glance']>): string =>
  [price, count > 0 && daysOf(count), asks > 0 && `${asks} to ask`].filter(Boolean).join(' · ');

const changes = (count: number): string => (count === 1 ? 'One change waits' : `${count} changes wait`);

export function JobRow({ row, unsent, waiting, onCopy, onSave, onRemove, onLook, looked }: Props) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  const router = useRouter();
  const { verdict, trouble, glance } = row;
  const plans = mayBegin();
  const sentence = verdict?.sentence ?? trouble ?? BEING_WORKED_OUT;
  const state = verdict?.state ?? 'empty';
  return (
    <View
      style={[styles.row, looked && styles.looked]}
      role="listitem"
      onPointerEnter={() => onLook?.(row)}
      onFocus={() => onLook?.(row)}
    >
      <Press
        role="link"
        aria-label={[row.name, verdict ? MARK_WORDS[verdict.state] : null, sentence]
          .filter(Boolean)
          .join('. ')
          .replace(/\.\.$/, '.')}
        onPress={() => router.navigate(`/job/${row.id}/plan`)}
        style={styles.open}
      >
        <Mark kind={state} size={24} />
        <View style={{ flex: 1 }}>
          <Text kind="heading" role="none" style={{ color: ink }}>
            {row.name}
          </Text>
          <Text {...(trouble === undefined ? {} : { tone: 'stop' })}>{sentence}</Text>
          {glance && <Text kind="small">{costs(glance)}</Text>}
          {!unsent && <Text kind="small">{aboutOf(row)}</Text>}
          {unsent && <Text kind="small">Kept on this device; the server has not got it yet.</Text>}
          {!unsent && waiting > 0 && <Text kind="small">{changes(waiting)} on this device to be sent.</Text>}
        </View>
        {glance?.sketch && <SketchOfJob sketch={glance.sketch} width={76} height={60} />}
      </Press>
      {!unsent && (
        <View style={styles.tools}>
          {trouble === undefined && plans && (
            <Button label={`Copy ${row.name}`} icon={Copy} iconOnly kind="bare" onPress={() => onCopy(row)} />
          )}
          <Button
            label={trouble === undefined ? `Save ${row.name} as a job file` : `Save ${row.name} as it lies`}
            icon={Download}
            iconOnly={trouble === undefined}
            kind="bare"
            onPress={() => onSave(row)}
          />
          {plans && (
            <Button label={`Take out ${row.name}`} icon={Trash} iconOnly kind="bare" onPress={() => onRemove(row)} />
          )}
        </View>
      )}
    </View>
  );
}
