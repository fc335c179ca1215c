/** Who is at this job on which days: given by who plans, seen by all. */
import { ROLE_WORDS, type Crew } from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { crewKey, together, useCrew } from '../../files/together';
import { TODAY_KEY } from '../../sync/keys';
import { Fields } from '../../input/Fields';
import { DayField } from '../../parts/Day';
import { Said } from '../../parts/Said';
import { sayDay } from '../../parts/today';
import { useAttempt } from '../../parts/useAttempt';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';

type Person = Crew['people'][number];
type Days = NonNullable<Person['given']>;

const daysSaid = ({ from, to }: Days): string =>
  from === null || to === null ? 'no day said' : from === to ? sayDay(from) : `${sayDay(from)} to ${sayDay(to)}`;

/** `days`: those of the work, which somebody is given first. */
export function CrewOfJob({ days }: { days: Days }) {
  const { job } = useJob();
  const plans = useMay('plan');
  const { data } = useCrew(job.id);
  const client = useQueryClient();
  const { said, attempt } = useAttempt();
  const turn = useRef<Promise<void>>(Promise.resolve());
  if (!data || data.people.length === 0) return null;
  // One after another: a second day is typed while the first is on its way.
  const change = (work: () => Promise<void>): Promise<void> => {
    turn.current = turn.current.then(async () => {
      await attempt(work);
      await client.invalidateQueries({ queryKey: crewKey(job.id) });
      await client.invalidateQueries({ queryKey: TODAY_KEY });
    });
    return turn.current;
  };
  const others = data.people.filter(({ given }) => given === null);
  return (
    <View style={{ gap: SPACE.s }} testID="crew-of-job">
      <Text kind="heading">Who is on it</Text>
      {data.people.map((person) =>
        person.given === null ? null : (
          <OnIt key={person.id} person={person} given={person.given} plans={plans} job={job.id} onChange={change} />
        ),
      )}
      {others.length === data.people.length && <Text>Nobody yet.</Text>}
      {plans && others.length > 0 && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          {others.map(({ id, name, role }) => (
            <Button
              key={id}
              label={`Give it to ${name}, ${ROLE_WORDS[role].toLowerCase()}`}
              onPress={() => void change(() => together.give(job.id, id, days))}
              testID={`give-to-${name}`}
            />
          ))}
        </View>
      )}
      <Said said={said} />
    </View>
  );
}

interface OnItProps {
  person: Person;
  given: Days;
  plans: boolean;
  job: string;
  onChange: (work: () => Promise<void>) => Promise<void>;
}

function OnIt({ person: { id, name, own }, given: known, plans, job, onChange }: OnItProps) {
  const [open, setOpen] = useState(false);
  // What was said here stands until the server has answered to the last of it.
  const [saying, setSaying] = useState<readonly Days[]>([]);
  const given = saying.at(-1) ?? known;
  /** One day said alone is the first and the last. */
  const say = (next: { from: string | undefined; to: string | undefined }): string | null => {
    const from = next.from ?? next.to ?? null;
    const to = next.to ?? next.from ?? null;
    if (from !== null && to !== null && from > to) return 'It ends before it begins.';
    const days = { from, to };
    setSaying((before) => [...before, days]);
    void onChange(() => together.give(job, id, days)).then(() =>
      setSaying((before) => before.filter((each) => each !== days)),
    );
    return null;
  };
  return (
    <View style={{ gap: SPACE.xs }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
        <Text kind="strong">{own ? `${name} (you)` : name}</Text>
        <Text>{daysSaid(given)}</Text>
        {plans && <Button label={open ? 'Close' : `Days of ${name}`} kind="bare" onPress={() => setOpen(!open)} />}
      </View>
      {plans && open && (
        <>
          <Fields of={null}>
            <View style={fieldRow}>
              <DayField
                label={`${name} from`}
                value={given.from ?? undefined}
                onCommit={(from) => say({ from, to: given.to ?? undefined })}
              />
              <DayField
                label={`${name} to`}
                value={given.to ?? undefined}
                onCommit={(to) => say({ from: given.from ?? undefined, to })}
              />
            </View>
          </Fields>
          <View style={{ flexDirection: 'row' }}>
            <Button label={`Take it from ${name}`} onPress={() => void onChange(() => together.takeAway(job, id))} />
          </View>
        </>
      )}
    </View>
  );
}
