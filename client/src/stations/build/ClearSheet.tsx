/** Whom to ask before anybody digs: each with how it stands, and whether the dig may begin. */
import {
  clearing,
  headOf,
  locateDays,
  markReady,
  nameOf,
  needAbout,
  needSays,
  needsOf,
  needTitle,
  put,
  readyWords,
  standings,
  standsMark,
  standsWords,
  unmarked,
  isPrivate,
  ofKind,
  freshId,
  type Clearance,
  type NeedStanding,
  type TakeOff,
} from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { whyNot } from '../../sync/ask';
import { offices } from '../../files/offices';
import { useJob } from '../../planning/useJob';
import { NameField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { DayField } from '../../parts/Day';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Mark } from '../../ui/Mark';
import { Press } from '../../ui/Press';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { sayDay, todayOf } from '../../parts/today';

const make = (palette: Palette) => ({
  row: { borderTopWidth: 1, borderTopColor: palette.line },
  head: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.m, minHeight: TOUCH + 12 },
  words: { flex: 1, paddingVertical: SPACE.xs },
  open: { gap: SPACE.m, paddingBottom: SPACE.l },
});

export function ClearSheet({ taken }: { taken: TakeOff }) {
  const { job, edit } = useJob();
  const today = todayOf();
  const needs = useMemo(() => needsOf(job, taken), [job, taken]);
  const stands = useMemo(() => standings(job, needs, today), [job, needs, today]);
  const [open, setOpen] = useState<string | null>(null);
  const waits = stands.filter(({ blocks }) => blocks).length;
  const cleared = headOf(job).clearedOn;
  const ready = (): void => {
    const marked = markReady(job, needs, today);
    if (marked.ok) void edit(marked.change);
  };
  const { clearedOn: _since, ...bare } = headOf(job);
  if (needs.length === 0) return <Text>Nothing is dug yet: there is nobody to ask.</Text>;
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'center' }} role="status" testID="ready">
        <Mark kind={waits > 0 ? (cleared === undefined ? 'fix' : 'stop') : 'holds'} />
        <View style={{ flex: 1 }}>
          <Text kind="strong">{readyWords(job, stands)}</Text>
        </View>
      </View>
      <View style={{ flexDirection: 'row' }}>
        {cleared === undefined ? (
          <Button label="Ready to dig" kind="main" disabled={waits > 0} onPress={ready} testID="mark-ready" />
        ) : (
          <Button label="Not ready after all" onPress={() => void edit(put('Not ready to dig after all', bare))} />
        )}
      </View>
      <View>
        {stands.map((each) => (
          <Row
            key={each.need.key}
            stands={each}
            open={open === each.need.key}
            onToggle={() => setOpen((now) => (now === each.need.key ? null : each.need.key))}
          />
        ))}
      </View>
      <Text kind="small">
        The locating office here is a stand-in that ships with the program. In earnest, call your own; local rules say
        how long marks stand and how near a machine may come.
      </Text>
    </View>
  );
}

const STATES = [
  { value: 'asked', label: 'Asked' },
  { value: 'granted', label: 'Granted' },
  { value: 'refused', label: 'Refused' },
  { value: 'notNeeded', label: 'Not needed' },
] as const;

function Row({ stands, open, onToggle }: { stands: NeedStanding; open: boolean; onToggle: () => void }) {
  const styles = useStyles(make);
  const { job, edit } = useJob();
  const { need, clearance } = stands;
  const about = needAbout(job, need);
  const says = standsWords(stands, sayDay);
  const set = (next: Partial<Clearance>): string | null => edit(clearing(job, need, next));
  return (
    <View style={styles.row}>
      <Press
        role="button"
        aria-expanded={open}
        aria-label={`${needTitle(need)}${about === '' ? '' : `, ${about}`}: ${says}`}
        onPress={onToggle}
        style={styles.head}
        testID={`need-${need.kind}`}
      >
        <Mark kind={standsMark(stands)} />
        <View style={styles.words}>
          <Text kind="strong">{needTitle(need)}</Text>
          {about !== '' && <Text kind="small">{about}</Text>}
          <Text>{says}</Text>
        </View>
      </Press>
      {open && (
        <View style={styles.open}>
          <Text>{needSays(need)}</Text>
          {need.kind === 'locate' && <Locate stands={stands} />}
          <Choice
            label="How it stands"
            value={clearance?.state ?? ''}
            options={need.kind === 'locate' ? STATES.filter(({ value }) => value !== 'notNeeded') : STATES}
            onChoose={(state) => void set({ state: state as Clearance['state'] })}
          />
          <Fields of={null}>
            <View style={fieldRow}>
              <DayField label="Asked on" value={clearance?.askedOn} onCommit={(askedOn) => set({ askedOn })} />
              <DayField label="Good from" value={clearance?.readyOn} onCommit={(readyOn) => set({ readyOn })} />
              <DayField
                label="Good until"
                value={clearance?.expiresOn}
                onCommit={(expiresOn) => {
                  const from = clearance?.readyOn;
                  if (expiresOn !== undefined && from !== undefined && expiresOn < from)
                    return 'It cannot run out before it begins.';
                  return set({ expiresOn });
                }}
              />
            </View>
            <View style={fieldRow}>
              <NameField
                label="Who"
                value={clearance?.who ?? ''}
                optional
                onCommit={(who) => set({ who: who === '' ? undefined : who })}
              />
              <NameField
                label="Note"
                value={clearance?.note ?? ''}
                optional
                most={2000}
                onCommit={(note) => set({ note: note === '' ? undefined : note })}
              />
            </View>
          </Fields>
        </View>
      )}
    </View>
  );
}

/** The stand-in office: a ticket asked for, and what its people have marked since. */
function Locate({ stands: { need, clearance, standing } }: { stands: NeedStanding }) {
  const { job, edit } = useJob();
  const [said, setSaid] = useState<string | null>(null);
  const today = todayOf();
  const services = ofKind(job, 'service').filter((service) => !isPrivate(service));
  const attempt = async (work: () => Promise<string | null>): Promise<void> => {
    try {
      setSaid(await work());
    } catch (error) {
      setSaid(whyNot(error, 'The office did not answer.'));
    }
  };
  const request = (): Promise<void> =>
    attempt(async () => {
      const ticket = freshId('L');
      const days = locateDays(job, today);
      await offices.locate({
        ticket,
        askedOn: today,
        readyOn: days.readyOn,
        services: services.map(({ id, form }) => ({ id, form })),
      });
      edit(clearing(job, need, { state: 'asked', askedOn: today, ...days, ticket }));
      return `Ticket ${ticket}: the marks are due on ${sayDay(days.readyOn)}.`;
    });
  const hear = (): Promise<void> =>
    attempt(async () => {
      const answers = await offices.locateAnswers(clearance!.ticket!, today);
      const there = new Set(answers.flatMap(({ id, answer }) => (answer === 'marked' ? [id] : [])));
      const late = answers.filter(({ answer, due }) => answer === 'waiting' && due > (clearance?.readyOn ?? due));
      const whole = answers.every(({ answer }) => answer === 'marked') && (clearance?.readyOn ?? today) <= today;
      const marks = services
        .filter(({ id, markedBy }) => there.has(id) && markedBy === undefined)
        .map((service) => ({ ...service, markedBy: 'Locating office', markedOn: today }));
      const told = clearing(job, need, whole ? { state: 'granted' } : {});
      edit({ ...told, label: 'Hear what is marked', puts: [...told.puts, ...marks] });
      if (whole) return 'All of it is marked.';
      if (late.length > 0)
        return `Late: ${late.map(({ id, due }) => `${nameOf(job, id)}, due ${sayDay(due)}`).join('; ')}.`;
      return `Not marked yet; the marks are due on ${sayDay(clearance!.readyOn ?? today)}.`;
    });
  const bare = unmarked(job);
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      {clearance?.ticket === undefined || standing === 'expired' ? (
        <Button label="Ask the stand-in office" kind="main" onPress={() => void request()} testID="ask-locate" />
      ) : (
        <>
          <Text kind="small">Ticket {clearance.ticket}</Text>
          <Button label="Hear what is marked" onPress={() => void hear()} testID="hear-locate" />
        </>
      )}
      {bare.length > 0 && <Text>No marks yet on {bare.map(({ name }) => name).join(', ')}.</Text>}
      {said !== null && <Text role="status">{said}</Text>}
    </View>
  );
}
