/** Care by its dates: what is due, why, what was done; ticked off by a tap, and taken along as a calendar or a sheet. */
import { put, type Keeping } from '@katabasis/core';
import { careAbout, duesOf, keepingOf, USUAL_SEASONS, warrantyEnds, type Due } from '@katabasis/core/care';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { offices } from '../../files/offices';
import { Fields } from '../../input/Fields';
import { without } from '../../input/without';
import { DayField } from '../../parts/Day';
import { sayFullDay, todayOf } from '../../parts/today';
import { useJob } from '../../planning/useJob';
import { whyNot } from '../../sync/ask';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { PaperFiles } from './PaperFiles';

const make = (palette: Palette) => ({
  task: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.m, gap: SPACE.xs },
  head: { flexDirection: 'row' as const, gap: SPACE.m, alignItems: 'flex-start' as const },
});

export function CarePage() {
  const { job, plan, edit } = useJob();
  const today = todayOf();
  const keeping = keepingOf(job);
  const dues = useMemo(() => duesOf(job, plan, today), [job, plan, today]);
  const set = (label: string, next: Keeping): string | null => edit(put(label, next));
  const did = (key: string): string | null =>
    set('Care done', { ...keeping, done: [...(keeping.done ?? []), { care: key, on: today }] });
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <Fields of="keeping">
        <DayField
          label="Trench closed on"
          value={keeping.laidOn}
          onCommit={(laidOn) => set('Say when it was laid', without(keeping, 'laidOn', laidOn))}
          testID="laid-on"
        />
      </Fields>
      {keeping.laidOn === undefined && <Text tone="soft">Dates count from today until that is said.</Text>}
      <Seasons keeping={keeping} onSet={set} />
      <View>
        {dues.map((due) => (
          <Task key={due.task.key} due={due} today={today} onDone={() => void did(due.task.key)} />
        ))}
        {dues.length === 0 && <Text>Nothing here needs looking after yet.</Text>}
      </View>
      <TakeAlong />
    </View>
  );
}

function Task({ due, today, onDone }: { due: Due; today: string; onDone: () => void }) {
  const styles = useStyles(make);
  const { job } = useJob();
  const { task, on, last, because } = due;
  const about = careAbout(job, task);
  return (
    <View style={styles.task} testID={`care-${task.key}`}>
      <View style={styles.head}>
        <Mark kind={on <= today ? 'fix' : 'mind'} />
        <View style={{ flex: 1, gap: 2 }}>
          <Text kind="strong">{task.title}</Text>
          <Text>
            {on <= today ? 'Due since' : 'Due'} {sayFullDay(on)}
            {task.afterStorms ? ', and after each large storm' : ''}
            {task.customer ? '. Who lives there can do it.' : '.'}
          </Text>
          {about !== '' && <Text kind="small">{about}</Text>}
          {because !== null && <Text kind="small">{because}</Text>}
          <Text kind="small">{task.why}</Text>
          {last !== null && <Text kind="small">Done last on {sayFullDay(last)}.</Text>}
        </View>
      </View>
      <View style={{ flexDirection: 'row' }}>
        <Button label="Done today" onPress={onDone} testID={`did-${task.key}`} />
      </View>
    </View>
  );
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
const NO_FROST = 'none';

interface SeasonsProps {
  keeping: Keeping;
  onSet: (label: string, next: Keeping) => string | null;
}

/** When leaves fall here, and frost begins: all other dates follow from it. */
function Seasons({ keeping, onSet }: SeasonsProps) {
  const [open, setOpen] = useState(false);
  const { leaves, frost } = keeping.seasons ?? USUAL_SEASONS;
  const months = MONTHS.map((label, k) => ({ value: String(k + 1), label }));
  const set = (next: { leaves: number; frost: number | null }): unknown =>
    onSet('Say when leaves fall and frost begins', { ...keeping, seasons: next });
  if (!open)
    return (
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
        <View style={{ flex: 1 }}>
          <Text>
            Leaves fall in {MONTHS[leaves - 1]}; {frost === null ? 'no frost' : `frost from ${MONTHS[frost - 1]}`}
            {keeping.seasons ? '' : ', as usual'}.
          </Text>
        </View>
        <Button label="Change" kind="bare" onPress={() => setOpen(true)} />
      </View>
    );
  return (
    <View style={{ gap: SPACE.m }}>
      <Choice
        label="Leaves fall in"
        value={String(leaves)}
        options={months}
        onChoose={(month) => set({ leaves: Number(month), frost })}
      />
      <Choice
        label="Frost begins in"
        value={frost === null ? NO_FROST : String(frost)}
        options={[{ value: NO_FROST, label: 'No frost' }, ...months]}
        onChoose={(month) => set({ leaves, frost: month === NO_FROST ? null : Number(month) })}
      />
    </View>
  );
}

const FILES: readonly [file: string, label: string][] = [
  ['care.ics', 'Dates for a calendar, with alarms'],
  ['care-customer.ics', 'The customer’s dates'],
  ['care.pdf', 'Sheet for the customer'],
];

function TakeAlong() {
  const { job } = useJob();
  const ends = warrantyEnds(job);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">To take along</Text>
      <PaperFiles files={FILES} />
      <KeeperLink />
      {ends !== null && (
        <Text kind="small">The warranty ends on {sayFullDay(ends)}; its last look is among the dates.</Text>
      )}
    </View>
  );
}

/** A page for who lives there: their dates, the warranty, and what lies where. */
function KeeperLink() {
  const { job } = useJob();
  const [link, setLink] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const make = async (): Promise<void> => {
    try {
      setWrong(null);
      const address = new URL(await offices.share(job.id, 'keeper', null), window.location.href).href;
      setLink(address);
      await navigator.clipboard?.writeText(address).catch(() => undefined);
    } catch (error) {
      setWrong(whyNot(error, 'It could not be made.'));
    }
  };
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      <Button label="A link for who lives there" onPress={() => void make()} testID="share-keeper" />
      {link !== null && (
        <View role="status">
          <Text>
            Shown this once; it is on the clipboard where the device allows that. It is withdrawn under Build, Paper:
          </Text>
          <Text selectable testID="keeper-link">
            {link}
          </Text>
        </View>
      )}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}
