/** Rounds over all jobs: where somebody is wanted, why, and in what order to drive. */
import { roundOf, townOf, type Stop } from '@katabasis/core/care';
import { useRouter } from 'expo-router';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { addDays, formatISO } from 'date-fns';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { todayOf } from '../../parts/today';
import { useRounds } from '../../sync/records';
import { usePalette, useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Mark } from '../../ui/Mark';
import { Notice } from '../../ui/Notice';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { OutOfReach } from '../OutOfReach';
import { SidePage } from './SidePage';
import { dayOf } from './moments';

const make = (palette: Palette) => ({
  stop: {
    borderTopWidth: 1,
    borderTopColor: palette.line,
    paddingVertical: SPACE.m,
    flexDirection: 'row' as const,
    gap: SPACE.m,
    alignItems: 'center' as const,
  },
});

/** Days that are looked ahead. */
const AHEAD = [
  { value: '0', label: 'Now' },
  { value: '14', label: 'In two weeks' },
  { value: '60', label: 'In two months' },
] as const;
/** Stops drawn before more are asked for: nobody drives to more in a week. */
const DRAWN = 60;

const dayAfter = (days: number): string => formatISO(addDays(new Date(), days), { representation: 'date' });

export function RoundsScreen() {
  const rounds = useRounds();
  const [ahead, setAhead] = useState<(typeof AHEAD)[number]['value']>('14');
  const { data } = rounds;
  const stops = useMemo(() => (data ? roundOf(data.jobs, dayAfter(Number(ahead))) : []), [data, ahead]);
  return (
    <SidePage title="Rounds">
      <Choice label="Where somebody is wanted" value={ahead} options={AHEAD} onChoose={setAhead} />
      {rounds.isPending && <Notice title="Reading" />}
      {rounds.isError && (
        <OutOfReach
          error={rounds.error}
          rest={data ? 'This is as it was when it was last read.' : 'Rounds have not been read on this device yet.'}
          onRetry={() => void rounds.refetch()}
        />
      )}
      {data && data.pending > 0 && (
        <Text kind="small" role="status">
          {data.pending === 1 ? 'One job is' : `${data.pending} jobs are`} still being worked out.
        </Text>
      )}
      {data && data.jobs.length === 0 && (
        <Notice title="No job is looked after yet">
          Say in a job’s Keep, under Care, on which day its trench was closed: its dates stand here from then on.
        </Notice>
      )}
      {data && data.jobs.length > 0 && stops.length === 0 && <Text>Nobody is wanted anywhere by then.</Text>}
      <View role="list">
        {stops.slice(0, DRAWN).map((stop, k) => (
          <Round
            key={stop.id}
            stop={stop}
            town={townOf(stop.site) === townOf(stops[k - 1]?.site) && k > 0 ? null : townOf(stop.site)}
          />
        ))}
      </View>
      {stops.length > DRAWN && <Text kind="small">And {stops.length - DRAWN} more.</Text>}
    </SidePage>
  );
}

function Round({ stop, town }: { stop: Stop; town: string | null }) {
  const styles = useStyles(make);
  const router = useRouter();
  const { soft } = usePalette();
  const today = todayOf();
  const { id, name, site, kept } = stop;
  const urgent = kept.complaints.length + kept.off.length > 0;
  const page = kept.complaints.length > 0 ? '~complaints' : kept.off.length > 0 ? '' : '~care';
  const lines = [
    ...kept.complaints.map(({ on, saw }) => `Complaint of ${dayOf(on)}: ${saw}`),
    ...kept.off.map(({ on, of }) => `${of}, off on ${dayOf(on)}`),
    ...kept.due.slice(0, 2).map(({ on, title }) => `${title}, ${on <= today ? 'due since' : 'due'} ${dayOf(on)}`),
  ];
  return (
    <View role="listitem">
      {town !== null && town !== '' && (
        <Text kind="heading" style={{ paddingTop: SPACE.m }}>
          {town}
        </Text>
      )}
      <Press
        role="link"
        onPress={() => router.navigate(`/job/${id}/keep${page === '' ? '' : `?at=${page}`}`)}
        style={styles.stop}
        aria-label={`${name}: ${lines.join('; ')}`}
        testID={`round-${id}`}
      >
        <Mark kind={urgent ? 'fix' : stop.on <= today ? 'mind' : 'empty'} size={24} />
        <View style={{ flex: 1, gap: 2 }}>
          <Text kind="strong">{name}</Text>
          {site !== undefined && <Text kind="small">{site}</Text>}
          {lines.map((line) => (
            <Text key={line}>{line}</Text>
          ))}
          {kept.last !== null && <Text kind="small">Last visit {dayOf(kept.last)}.</Text>}
        </View>
        <ChevronRight size={20} color={soft} />
      </Press>
    </View>
  );
}
