/** Somebody of the company: what they may and where, their devices, and the way out. */
import { ROLE_WORDS, type People, type Role } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { peopleApi } from './peopleApi';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { momentOf } from '../jobs/moments';
import { SideRow } from '../jobs/SidePage';
import { GivenJobs } from './GivenJobs';
import { MadeLink, RoleChoice, toClipboard, WhereChoice } from './Invite';
import { Said } from '../../parts/Said';
import { saveKept } from './saveKept';
import { useAttempt } from '../../parts/useAttempt';

const make = (palette: Palette) => ({
  person: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.m, gap: SPACE.m },
  head: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: SPACE.m, alignItems: 'center' as const },
});

type Person = People['people'][number];

const about = ({ role, everywhere, jobs, devices }: Person): string =>
  [
    ROLE_WORDS[role],
    everywhere ? 'every job' : jobs.length === 1 ? 'one job' : `${jobs.length} jobs`,
    devices.length === 0 ? 'no device' : devices.length === 1 ? 'one device' : `${devices.length} devices`,
  ].join(' · ');

export function OnePerson({ person, onChange }: { person: Person; onChange: () => void }) {
  const styles = useStyles(make);
  const [open, setOpen] = useState(false);
  return (
    <View style={styles.person} role="listitem">
      <View style={styles.head}>
        <View style={{ flex: 1, minWidth: 200 }}>
          <Text kind="strong">{person.own ? `${person.name} (you)` : person.name}</Text>
          <Text kind="small">{about(person)}</Text>
        </View>
        <Button
          label={open ? 'Close' : `Open ${person.name}`}
          onPress={() => setOpen(!open)}
          testID={`person-${person.name}`}
        />
      </View>
      {open && <Opened person={person} onChange={onChange} />}
    </View>
  );
}

function Opened({ person, onChange }: { person: Person; onChange: () => void }) {
  const { id, name, role, everywhere, devices } = person;
  const [sure, setSure] = useState(false);
  const [link, setLink] = useState<string | null>(null);
  const { said, attempt } = useAttempt();
  const done = async (work: () => Promise<unknown>): Promise<void> => {
    if (await attempt(work)) onChange();
  };
  const be = (next: { role: Role; everywhere: boolean }): void => void done(() => peopleApi.change(id, next));
  const wayIn = (): void =>
    void attempt(async () => {
      const made = await peopleApi.wayIn(id);
      setLink(made);
      await toClipboard(made);
    });
  return (
    <>
      <RoleChoice role={role} onChoose={(next) => be({ role: next, everywhere })} />
      <WhereChoice everywhere={everywhere} onChoose={(next) => be({ role, everywhere: next })} />
      <GivenJobs person={person} onGive={(jobs) => void done(() => peopleApi.give(id, jobs))} />
      {devices.length > 0 && (
        <View role="list">
          {devices.map((device) => (
            <SideRow
              key={device.id}
              name={device.own ? `${device.name} (this one)` : device.name}
              about={`Last here ${momentOf(device.seenAt)}`}
            >
              <Button label={`Sign ${device.name} out`} onPress={() => void done(() => api.withdraw(device.id))} />
            </SideRow>
          ))}
        </View>
      )}
      {link !== null && <MadeLink name={name} link={link} />}
      <Said said={said} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="A new way in" onPress={wayIn} testID="way-in" />
        <Button label="Save what is kept" onPress={() => void attempt(() => saveKept(id))} />
        {sure ? (
          <>
            <Button
              label={`Let ${name} in no more`}
              kind="main"
              onPress={() => void done(() => peopleApi.end(id))}
              testID="end-sure"
            />
            <Button label="Let it be" onPress={() => setSure(false)} />
          </>
        ) : (
          <Button label="Let in no more" onPress={() => setSure(true)} testID="end" />
        )}
      </View>
      {sure && (
        <Text>
          {name} is out at once on every device. What they wrote stays, under their name; what waits on their phone
          stays on it.
        </Text>
      )}
    </>
  );
}
