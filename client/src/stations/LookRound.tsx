/** A look round a sample job by doing: one thing to try after another, each done by doing it. */
import { usePathname } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { useJobPart, useSession, type OpenJob } from '../planning/useJob';
import { useStyles } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';
import { lookingAt, useLookRound } from './lookRoundKept';
import { useAt } from './useAt';
import { stationIn, type StationPath } from './useGo';

const make = (palette: Palette) => ({
  strip: {
    backgroundColor: palette.bank,
    borderBottomWidth: 1,
    borderBottomColor: palette.line,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.s,
    gap: SPACE.xs,
  },
  row: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.s },
});

interface Seen {
  station: StationPath;
  at: string | null;
  /** Whether anything was done that can be undone, or was undone. */
  did: boolean;
  undid: boolean;
  stops: number;
}

const STEPS: readonly { said: string; isDone: (seen: Seen) => boolean }[] = [
  {
    said: 'The sentence on top is the verdict: this line does not reach its swale. Tap it; it leads to where that is.',
    isDone: ({ at, station }) => station === 'plan' && at !== null,
  },
  {
    said: 'Close what opened, and take the fix under the Stop. It was planned before it was offered.',
    isDone: ({ did, stops }) => did && stops === 0,
  },
  {
    said: 'Yard is the same job to scale: tap a wet spot, and read why it is wet.',
    isDone: ({ at, station }) => station === 'yard' && at !== null,
  },
  {
    said: 'Storm: the same plan in a rarer rain and with a grate blocked.',
    isDone: ({ station }) => station === 'storm',
  },
  {
    said: 'Build: tap Price, and any line of it for how it came.',
    isDone: ({ at, station }) => station === 'build' && at === '~price',
  },
  {
    said: 'The arrow on top takes back whatever was done. Try it; nothing is ever lost.',
    isDone: ({ undid }) => undid,
  },
];

const idAndStops = ({ job, plan }: OpenJob): { id: string; stops: number } => ({
  id: job.id,
  stops: plan.verdict.stops,
});

export function LookRound() {
  const { id, stops } = useJobPart(idAndStops);
  const [kept, keep] = useLookRound();
  return lookingAt(kept) === id ? <Steps step={kept!.step} stops={stops} keep={keep} /> : null;
}

function Steps({ step, stops, keep }: { step: number; stops: number; keep: ReturnType<typeof useLookRound>[1] }) {
  const styles = useStyles(make);
  const { undoLabel, redoLabel } = useSession();
  const station = stationIn(usePathname());
  const at = useAt();
  const now = STEPS[step];
  const done = now?.isDone({ station, at, did: undoLabel !== null, undid: redoLabel !== null, stops }) ?? false;
  useEffect(() => {
    if (done) keep((kept) => kept && { ...kept, step: kept.step + 1 });
  }, [done, keep]);
  const end = (): void => keep(() => null);
  return (
    <View style={styles.strip} role="status" testID="look-round">
      <Text>
        {now
          ? `${step + 1} of ${STEPS.length}. ${now.said}`
          : 'That is the round. The arrow at the top left leads to all jobs: begin your own there.'}
      </Text>
      <View style={styles.row}>
        <Button label={now ? 'Enough' : 'Done'} kind="bare" onPress={end} />
        {now && (
          <Button label="Next" kind="bare" onPress={() => keep((kept) => kept && { ...kept, step: kept.step + 1 })} />
        )}
      </View>
    </View>
  );
}
