/** Jobs given to somebody, each with what they may there where that is less. */
import { ROLE_WORDS, ROLES, type People, type Role } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { TextBox } from '../../input/TextBox';
import { useJobList } from '../../sync/queries';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { SideRow } from '../jobs/SidePage';

type Given = { job: string; role: Role | null };

interface Props {
  person: People['people'][number];
  onGive: (jobs: readonly Given[]) => void;
}

const AS_ELSEWHERE = 'same';
const OPTIONS = [
  { value: AS_ELSEWHERE, label: 'As elsewhere' },
  ...ROLES.filter((role) => role !== 'owner').map((value) => ({ value, label: ROLE_WORDS[value] })),
];

export function GivenJobs({ person: { jobs, everywhere, name }, onGive }: Props) {
  const [adding, setAdding] = useState(false);
  const given: Given[] = jobs.map(({ job, role }) => ({ job, role }));
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="strong">{everywhere ? 'Jobs at which they may less' : 'Jobs given to them'}</Text>
      {jobs.length === 0 && (
        <Text kind="small">{everywhere ? 'At every job the same.' : `None yet: ${name} sees no job.`}</Text>
      )}
      <View role="list">
        {jobs.map(({ job, name: called, role }) => (
          <View key={job}>
            <SideRow name={called} about={role === null ? 'As elsewhere' : `As ${ROLE_WORDS[role].toLowerCase()}`}>
              <Button label={`Take ${called} away`} onPress={() => onGive(given.filter((each) => each.job !== job))} />
            </SideRow>
            <Choice
              label={`What they may at ${called}`}
              hideLabel
              value={role ?? AS_ELSEWHERE}
              options={OPTIONS}
              onChoose={(next) =>
                onGive(
                  given.map((each) =>
                    each.job === job ? { job, role: next === AS_ELSEWHERE ? null : (next as Role) } : each,
                  ),
                )
              }
            />
          </View>
        ))}
      </View>
      {adding ? (
        <FindJob
          known={new Set(jobs.map(({ job }) => job))}
          onFound={(job) => {
            setAdding(false);
            onGive([...given, { job, role: null }]);
          }}
        />
      ) : (
        <View style={{ flexDirection: 'row' }}>
          <Button label="Give a job" onPress={() => setAdding(true)} testID="give-job" />
        </View>
      )}
    </View>
  );
}

function FindJob({ known, onFound }: { known: ReadonlySet<string>; onFound: (job: string) => void }) {
  const [find, setFind] = useState('');
  const list = useJobList({ limit: 8, ...(find.trim() === '' ? {} : { find: find.trim() }) });
  const found = (list.data?.pages[0]?.jobs ?? []).filter(({ id }) => !known.has(id));
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row' }}>
        <TextBox label="Find the job" words text={find} onText={setFind} autoFocus testID="give-find" />
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {found.map(({ id, name }) => (
          <Button key={id} label={name} onPress={() => onFound(id)} testID={`give-${id}`} />
        ))}
      </View>
      {list.data && found.length === 0 && <Text kind="small">No other job is like that.</Text>}
    </View>
  );
}
