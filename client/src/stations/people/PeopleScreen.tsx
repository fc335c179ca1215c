/** Who is of the company: what waits of theirs, who is here, who is invited, and what was done. */
import { ROLE_WORDS } from '@katabasis/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { peopleApi } from './peopleApi';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { momentOf } from '../jobs/moments';
import { SidePage, SideRow } from '../jobs/SidePage';
import { OutOfReach } from '../OutOfReach';
import { HandedChanges } from './HandedChanges';
import { Invite } from './Invite';
import { OnePerson } from './OnePerson';
import { WhoLeft } from './WhoLeft';
import { Said } from '../../parts/Said';
import { useAttempt } from '../../parts/useAttempt';

const PEOPLE_KEY = ['people'] as const;

export function PeopleScreen() {
  const people = useQuery({ queryKey: PEOPLE_KEY, queryFn: api.people, staleTime: 0 });
  const client = useQueryClient();
  const router = useRouter();
  const again = (): void => void client.invalidateQueries({ queryKey: PEOPLE_KEY });
  const { said, attempt } = useAttempt();
  const withdraw = async (id: string): Promise<void> => {
    if (await attempt(() => peopleApi.withdrawInvitation(id))) again();
  };
  const { data } = people;
  return (
    <SidePage title="People" back={{ label: 'Devices', to: '/devices' }}>
      {people.isPending && <Notice title="Reading" />}
      {people.isError && (
        <OutOfReach error={people.error} rest={people.error.message} onRetry={() => void people.refetch()} />
      )}
      {data && (
        <>
          <HandedChanges />
          {data.people.length === 0 ? (
            <Text>
              Nobody is signed in by name yet: every device that was let in by the code plans as the office does. Invite
              yourself as an owner first, then the others with what each may.
            </Text>
          ) : (
            <View role="list">
              {data.people.map((person) => (
                <OnePerson key={person.id} person={person} onChange={again} />
              ))}
            </View>
          )}
          {data.people.length > 0 && data.nobodys > 0 && (
            <Text>
              {data.nobodys === 1 ? 'One device was' : `${data.nobodys} devices were`} let in by the code and{' '}
              {data.nobodys === 1 ? 'is' : 'are'} nobody’s: what is done there is done as a planner. Shut{' '}
              {data.nobodys === 1 ? 'it' : 'them'} out under Devices once its people sign in by name.
            </Text>
          )}
          {data.invitations.length > 0 && (
            <View role="list" style={{ gap: SPACE.s }}>
              <Text kind="heading">Invited</Text>
              {data.invitations.map(({ id, name, role, until, again: back }) => (
                <SideRow
                  key={id}
                  name={name}
                  about={`${back ? 'A new way in' : ROLE_WORDS[role]} · good until ${momentOf(until)}`}
                >
                  <Button label={`Take ${name}’s invitation back`} onPress={() => void withdraw(id)} />
                </SideRow>
              ))}
            </View>
          )}
          <Said said={said} />
          <Invite onInvited={again} />
          <WhoLeft left={data.left} onChange={again} />
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            <Button label="What was done" onPress={() => router.navigate('/audit')} />
            <Button label="The server" onPress={() => router.navigate('/server')} />
          </View>
        </>
      )}
    </SidePage>
  );
}
