/** Whom to reach about a job: kept on the device and the server, on no page that is shared. */
import { headOf, put, type JobElement } from '@katabasis/core';
import { Linking, View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { NameField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { without } from '../../input/without';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';

type Contact = NonNullable<JobElement['contacts']>[number];

const ROLES: readonly { value: Contact['role']; label: string }[] = [
  { value: 'client', label: 'Client' },
  { value: 'neighbour', label: 'Neighbour' },
  { value: 'other', label: 'Other' },
];

const make = (palette: Palette) => ({
  contact: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: SPACE.s },
});

export function Contacts() {
  const styles = useStyles(make);
  const { job, edit } = useJob();
  const head = headOf(job);
  const contacts = head.contacts ?? [];
  const keep = (label: string, next: readonly Contact[]): string | null =>
    edit(put(label, without(head, 'contacts', next.length > 0 ? [...next] : undefined)));
  const change = (at: number, next: Contact): string | null =>
    keep(
      'Say whom to reach',
      contacts.map((each, k) => (k === at ? next : each)),
    );
  return (
    <View style={{ gap: SPACE.s }} testID="contacts">
      <Text kind="heading">Whom to reach</Text>
      <Text kind="small">Seen by whoever is let in here; on no page behind a link, and on no paper.</Text>
      {contacts.map((contact, k) => (
        <View key={k} style={styles.contact}>
          <Text kind="strong">{contact.name}</Text>
          <Choice
            label="Is"
            hideLabel
            value={contact.role}
            options={ROLES}
            onChoose={(role) => change(k, { ...contact, role })}
          />
          <Fields of={null}>
            <View style={fieldRow}>
              <NameField
                label="Phone"
                value={contact.phone ?? ''}
                optional
                most={60}
                onCommit={(phone) => change(k, without(contact, 'phone', phone === '' ? undefined : phone))}
              />
              <NameField
                label="Mail"
                value={contact.mail ?? ''}
                optional
                most={200}
                onCommit={(mail) => change(k, without(contact, 'mail', mail === '' ? undefined : mail))}
              />
            </View>
          </Fields>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            {contact.phone && (
              <Button label={`Call ${contact.name}`} onPress={() => void Linking.openURL(`tel:${contact.phone}`)} />
            )}
            <Button
              label={`Leave out ${contact.name}`}
              kind="bare"
              onPress={() =>
                void keep(
                  'Leave a contact out',
                  contacts.filter((_, other) => other !== k),
                )
              }
            />
          </View>
        </View>
      ))}
      <Fields of={null}>
        <NameField
          label="Somebody else to reach"
          value=""
          optional
          most={120}
          onCommit={(name) => (name === '' ? null : keep('Say whom to reach', [...contacts, { name, role: 'client' }]))}
          testID="contact-name"
        />
      </Fields>
    </View>
  );
}
