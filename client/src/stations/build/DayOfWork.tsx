/** One day of the work: its weather, what goes on the truck, and its steps, each moved by its grip or by a day that is typed. */
import {
  asOneLoad,
  calendarOf,
  heldWords,
  machineWords,
  plusDays,
  settleStep,
  showSmall,
  stepLabel,
  text,
  workedFrom,
  type Load,
  type Schedule,
  type Scheduled,
  type UnitSystem,
  type Weather,
  type WorkStep,
} from '@katabasis/core';
import CloudRain from 'lucide-react-native/icons/cloud-rain';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import Snowflake from 'lucide-react-native/icons/snowflake';
import { useMemo, useState, type Ref } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { useDrag } from '../../ui/useDrag';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { countEntry } from '../../input/workEntries';
import { DayField } from '../../parts/Day';
import { usePalette, useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Press } from '../../ui/Press';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { sayDay, todayOf } from '../../parts/today';
import { TookField } from '../../parts/forms/TookField';
import { hoursEntry } from '../../input/entry';
import { usePointed } from './beside/pointed';
import { Truck } from './Truck';

const make = (palette: Palette) => ({
  day: { gap: SPACE.xs, borderTopWidth: 2, borderTopColor: palette.ink, paddingTop: SPACE.s },
  dayHead: { flexDirection: 'row' as const, gap: SPACE.s, alignItems: 'center' as const },
  step: { borderTopWidth: 1, borderTopColor: palette.line },
  row: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.s, minHeight: TOUCH + 4 },
  grip: {
    width: TOUCH,
    height: TOUCH,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
  },
  open: { gap: SPACE.m, paddingBottom: SPACE.l },
  ends: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: SPACE.s },
});

/** A temperature, °C, as it is said in a job's units. */
function sayCold(celsius: number, units: UnitSystem): string {
  const degrees = Math.round(units === 'us' ? celsius * 1.8 + 32 : celsius);
  return `${String(degrees).replace('-', '−')} °${units === 'us' ? 'F' : 'C'}`;
}

/** How many people work. */
export const PEOPLE = countEntry(1, 50);
/** px that a step is dragged for a day. */
const PX_A_DAY = 56;

interface DayProps {
  day: string;
  weather: Weather | undefined;
  own: readonly Scheduled[];
  /** What each step takes along, by its key. */
  loads: ReadonlyMap<string, readonly Load[]>;
}

export function DayOfWork({ day, weather, own, loads }: DayProps) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  const { units } = useJob();
  // On the first of its days a step brings along all that it lays.
  const truck = asOneLoad(own.flatMap(({ step, days }) => (days[0]!.day === day ? (loads.get(step.key) ?? []) : [])));
  return (
    <View style={styles.day} testID="day">
      <View style={styles.dayHead}>
        <Text kind="heading">{sayDay(day)}</Text>
        {weather && weather.rain > 0 && (
          <>
            <CloudRain size={18} color={ink} />
            <Text kind="small">{text(showSmall(weather.rain / 1000, units))} of rain</Text>
          </>
        )}
        {weather && weather.low < 0 && (
          <>
            <Snowflake size={18} color={ink} />
            <Text kind="small">{sayCold(weather.low, units)} at night</Text>
          </>
        )}
      </View>
      <Truck machines={machineWords(own.map(({ step }) => step))} loads={truck} />
      {own.map((scheduled) => (
        <StepRow key={scheduled.step.key} scheduled={scheduled} day={day} />
      ))}
    </View>
  );
}

function StepRow({ scheduled, day }: { scheduled: Scheduled; day: string }) {
  const styles = useStyles(make);
  const { soft } = usePalette();
  const { job, plan, edit } = useJob();
  const { lines } = plan;
  const [open, setOpen] = useState(false);
  const [shift, setShift] = useState(0);
  const { step, days } = scheduled;
  const pointed = usePointed(
    useMemo(
      () => ({ ids: [...step.things, ...(lines.find(({ letter }) => letter === step.line)?.runs ?? [])] }),
      [step, lines],
    ),
  );
  const { hours } = days.find((each) => each.day === day)!;
  const first = days[0]!.day;
  const settle = (next: Parameters<typeof settleStep>[2]): string | null => edit(settleStep(job, step.key, next));
  const moved = (day: string): string => workedFrom(plusDays(day, shift), calendarOf(job));
  const { ref, handlers } = useDrag({
    grip: () => first,
    onMove: (_taken, _dx, dy) => setShift(Math.round(dy / PX_A_DAY)),
    onDrop: (taken, dragged) => {
      setShift(0);
      if (dragged && shift !== 0) void settle({ day: moved(taken) });
    },
    afterHold: true,
  });
  const label = stepLabel(job, step);
  const held = heldWords(scheduled);
  const { curesUntil } = scheduled;
  return (
    <View style={styles.step} {...pointed}>
      <View style={styles.row}>
        <View
          ref={ref as unknown as Ref<View>}
          {...(handlers as object)}
          style={styles.grip}
          aria-hidden
          testID={`grip-${step.key}`}
        >
          <GripVertical size={20} color={soft} />
        </View>
        <Press
          role="button"
          aria-expanded={open}
          aria-label={`${label}: ${hours} hours`}
          onPress={() => setOpen((now) => !now)}
          style={{ flex: 1, minHeight: TOUCH, justifyContent: 'center' }}
          testID={`step-${step.key}`}
        >
          <Text>{label}</Text>
          {shift !== 0 && <Text kind="small">To {sayDay(moved(first))}</Text>}
          {held.length > 0 && <Text kind="small">{held.join(', ')}</Text>}
          {curesUntil !== null && <Text kind="small">no wheels over its concrete until {sayDay(curesUntil)}</Text>}
        </Press>
        <Text kind="strong">{hours} h</Text>
      </View>
      {open && <StepFields step={step} settle={settle} />}
    </View>
  );
}

/** When it begins, by how many and how long, and that it is done. */
function StepFields({
  step,
  settle,
}: {
  step: WorkStep;
  settle: (next: Parameters<typeof settleStep>[2]) => string | null;
}) {
  const styles = useStyles(make);
  const { edit } = useJob();
  return (
    <View style={styles.open}>
      <Fields of={null}>
        <View style={fieldRow}>
          <DayField label="Not before" value={step.settled?.day} onCommit={(next) => settle({ day: next })} />
          <QuantityField label="People" value={step.crew} {...PEOPLE} onCommit={(crew) => settle({ crew })} />
          <QuantityField
            label="Hours they take"
            value={step.hours}
            {...hoursEntry}
            onCommit={(next) =>
              next! > 0 && next! <= 1000 ? settle({ hours: next }) : 'A step takes more than 0 and at most 1000 hours.'
            }
          />
        </View>
      </Fields>
      <View style={styles.ends}>
        <Button label="Done today" onPress={() => void settle({ doneOn: todayOf() })} testID={`done-${step.key}`} />
        {step.settled !== null && (
          <Button
            label="As worked out again"
            onPress={() => void edit({ label: 'Lay a step out anew', puts: [], removes: [step.settled!.id] })}
          />
        )}
      </View>
    </View>
  );
}

/** What is done already: it stands where it was done, and can be taken back. */
export function Done({ done }: Pick<Schedule, 'done'>) {
  const styles = useStyles(make);
  const { job, edit } = useJob();
  if (done.length === 0) return null;
  return (
    <View style={styles.day} testID="done">
      <Text kind="heading">Done</Text>
      {done.map(({ step, day }) => (
        <View key={step.key} style={[styles.step, styles.row]}>
          <View style={{ flex: 1 }}>
            <Text>{stepLabel(job, step)}</Text>
            <Text kind="small">{sayDay(day)}</Text>
            <TookField step={step} />
          </View>
          <Button
            label="Not done yet"
            onPress={() => void edit(settleStep(job, step.key, { doneOn: undefined, took: undefined }))}
          />
        </View>
      ))}
    </View>
  );
}
