/** Over the list of jobs: what is one's own today and next, who is where, and how much news there is. */
import type { Today } from '@katabasis/core';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useToday } from '../../files/together';
import { sayDay, todayOf } from '../../parts/today';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { LinkRow } from './LinkRow';

type Each = Today['jobs'][number];

const daysBetween = (from: string, to: string): number => differenceInCalendarDays(parseISO(to), parseISO(from));

/** Day 2 of 3; or from when to when. */
function daysSaid({ from, to }: Each, today: string): string {
  const long = daysBetween(from, to) + 1;
  if (from <= today) return long === 1 ? 'Today' : `Day ${daysBetween(from, today) + 1} of ${long}`;
  return from === to ? sayDay(from) : `${sayDay(from)} to ${sayDay(to)}`;
}

const and = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

export function TodayJobs() {
  const today = todayOf();
  const { data } = useToday(today);
  const router = useRouter();
  // Where nothing is new and nobody is anywhere the list stands first; news of before is found under Devices.
  if (!data || (data.jobs.length === 0 && data.fresh === 0)) return null;
  const mine = data.jobs.filter(({ own }) => own);
  const others = data.jobs.filter(({ own, from }) => !own && from <= today);
  const now = mine.filter(({ from }) => from <= today);
  return (
    <View style={{ gap: SPACE.m }} testID="today">
      <Part title={`Mine today, ${sayDay(today)}`} jobs={now} today={today} />
      <Part title="Mine next" jobs={mine.filter((each) => !now.includes(each))} today={today} />
      <Part
        title={mine.length === 0 ? 'In the yards today' : 'Others in the yards today'}
        jobs={others}
        today={today}
      />
      <View style={{ flexDirection: 'row' }}>
        <Button
          label={data.fresh === 0 ? 'News' : `News: ${data.fresh} not read`}
          {...(data.fresh === 0 ? {} : { kind: 'main' as const })}
          onPress={() => router.navigate('/news')}
          testID="news"
        />
      </View>
    </View>
  );
}

function Part({ title, jobs, today }: { title: string; jobs: readonly Each[]; today: string }) {
  if (jobs.length === 0) return null;
  return (
    <View>
      <Text kind="heading">{title}</Text>
      <View role="list">
        {jobs.map((each) => (
          <One key={`${each.job} ${each.from} ${each.to}`} each={each} today={today} />
        ))}
      </View>
    </View>
  );
}

function One({ each, today }: { each: Each; today: string }) {
  const router = useRouter();
  const { job, name, site, own, who, from } = each;
  return (
    <LinkRow
      name={name}
      about={[daysSaid(each, today), site].filter(Boolean).join(' · ')}
      small={and(who)}
      marked={own && from <= today}
      onPress={() => router.navigate(`/job/${job}/build?at=~days`)}
    />
  );
}
