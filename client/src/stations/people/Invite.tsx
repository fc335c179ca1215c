/** Somebody invited: their name, what they may, where, and for how long the link is good. */
import { ROLES, ROLE_SAYS, ROLE_WORDS, type Role } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { TextBox } from '../../input/TextBox';
import { peopleApi } from './peopleApi';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { Said } from '../../parts/Said';
import { useAttempt } from '../../parts/useAttempt';

const ROLE_OPTIONS = ROLES.map((value) => ({ value, label: ROLE_WORDS[value] }));
const WHERE = [
  { value: 'every', label: 'Every job' },
  { value: 'given', label: 'Jobs given to them' },
] as const;
const DAYS = [
  { value: '1', label: 'A day' },
  { value: '7', label: 'A week' },
  { value: '30', label: '30 days' },
] as const;

export function RoleChoice({ role, onChoose }: { role: Role; onChoose: (role: Role) => void }) {
  return (
    <View style={{ gap: SPACE.xs }}>
      <Choice label="What they may" value={role} options={ROLE_OPTIONS} onChoose={onChoose} />
      <Text kind="small">{ROLE_SAYS[role]}</Text>
    </View>
  );
}

export function WhereChoice({ everywhere, onChoose }: { everywhere: boolean; onChoose: (every: boolean) => void }) {
  return (
    <Choice
      label="Where"
      value={everywhere ? 'every' : 'given'}
      options={WHERE}
      onChoose={(where) => onChoose(where === 'every')}
    />
  );
}

/** A link that was made, shown this once. */
export function MadeLink({ name, link }: { name: string; link: string }) {
  return (
    <View role="status">
      <Text>
        For {name}, shown this once; it is on the clipboard where the device allows that. Whoever opens it comes in as{' '}
        {name}:
      </Text>
      <Text selectable testID="invitation-link">
        {new URL(link, window.location.href).href}
      </Text>
    </View>
  );
}

export const toClipboard = async (link: string): Promise<void> =>
  void (await navigator.clipboard?.writeText(new URL(link, window.location.href).href).catch(() => undefined));

export function Invite({ onInvited }: { onInvited: () => void }) {
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('crew');
  const [everywhere, setEverywhere] = useState(true);
  const [days, setDays] = useState<'1' | '7' | '30'>('7');
  const [made, setMade] = useState<{ name: string; link: string } | null>(null);
  const { said, busy, attempt } = useAttempt();
  const invite = async (): Promise<void> => {
    const called = name.trim();
    const done = await attempt(async () => {
      const link = await peopleApi.invite({ name: called, role, everywhere, days: Number(days) });
      setMade({ name: called, link });
      await toClipboard(link);
    });
    if (!done) return;
    setName('');
    onInvited();
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">Invite somebody</Text>
      <View style={{ flexDirection: 'row' }}>
        <TextBox label="Their name" words text={name} onText={setName} testID="invite-name" />
      </View>
      <RoleChoice role={role} onChoose={setRole} />
      <WhereChoice everywhere={everywhere} onChoose={setEverywhere} />
      <Choice label="The link is good for" value={days} options={DAYS} onChoose={setDays} />
      <Said said={said} />
      <View style={{ flexDirection: 'row' }}>
        <Button
          label="Make the link"
          kind="main"
          disabled={busy || name.trim() === '' || name.trim().length > 60}
          onPress={() => void invite()}
          testID="invite"
        />
      </View>
      {name.trim().length > 60 && <Text tone="stop">At most 60 letters.</Text>}
      {made && <MadeLink {...made} />}
    </View>
  );
}
