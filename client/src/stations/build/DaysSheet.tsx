/** The days of the work: every step on the days that it falls on, round marks, rain and frost; moved by its grip or by a day that is typed. */
import {
  calendarOf,
  daySchema,
  defined,
  freshId,
  headOf,
  heldWords,
  needsOf,
  ofKind,
  plusDays,
  put,
  scheduleOf,
  showSmall,
  standings,
  stepLabel,
  stepsOf,
  text,
  truckWords,
  workedFrom,
  type Schedule,
  type Scheduled,
  type Step,
  type TakeOff,
  type UnitSystem,
  type Weather,
  type WorkStep,
} from '@katabasis/core';
import CloudRain from 'lucide-react-native/icons/cloud-rain';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import Snowflake from 'lucide-react-native/icons/snowflake';
import { useMemo, useState, type Ref } from 'react';
import { View } from 'react-native';
import { useWeather } from '../../files/offices';
import { useKept } from '../../planning/useJob';
import { useDrag } from '../../ui/useDrag';
import { NameField, QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { hoursEntry } from '../../input/entry';
import { countEntry } from '../../input/workEntries';
import { DayField } from '../../parts/Day';
import { usePalette, useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Figure } from '../../ui/Figure';
import { Mark } from '../../ui/Mark';
import { Press } from '../../ui/Press';
import { fieldRow, figureRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { sayDay, todayOf } from './today';

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

const PEOPLE = countEntry(1, 50);
/** px that a step is dragged for a day. */
const PX_A_DAY = 56;

export function DaysSheet({ taken }: { taken: TakeOff }) {
  const { job, plan, edit } = useKept();
  const today = todayOf();
  const weather = useWeather(today);
  const needs = useMemo(() => needsOf(job, taken), [job, taken]);
  const stands = useMemo(() => standings(job, needs, today), [job, needs, today]);
  const steps = useMemo(
    () =>
      stepsOf(
        job,
        plan,
        taken,
        needs.some(({ kind }) => kind === 'inspection'),
      ),
    [job, plan, taken, needs],
  );
  const forecast = useMemo(() => weather.data ?? [], [weather.data]);
  const schedule = useMemo(
    () => scheduleOf(job, steps, stands, forecast, today),
    [job, steps, stands, forecast, today],
  );
  const days = [...new Set(schedule.steps.flatMap((each) => each.days.map(({ day }) => day)))].sort();
  const { crew, hours } = calendarOf(job);
  const head = headOf(job);
  if (steps.length === 0) return <Text>Nothing is laid yet: there are no days to plan.</Text>;
  const calendar = (next: NonNullable<typeof head.calendar>): string | null =>
    edit(put('Set the days of the work', { ...head, calendar: { ...head.calendar, ...next } }));
  return (
    <View style={{ gap: SPACE.l, maxWidth: 760 }}>
      <View style={figureRow}>
        <Figure
          label={schedule.done.length > 0 ? 'Days left' : 'Days of work'}
          shown={{ value: String(days.length), unit: '' }}
          size="hero"
        />
        {schedule.first && <Figure label="From" shown={{ value: sayDay(schedule.first), unit: '' }} />}
        {schedule.last && <Figure label="To" shown={{ value: sayDay(schedule.last), unit: '' }} />}
      </View>
      <Fields of={null}>
        <View style={fieldRow}>
          <DayField
            label="Begins on"
            value={head.startsOn}
            onCommit={(startsOn) => {
              const { startsOn: _, ...bare } = head;
              return edit(put('Say when the work begins', startsOn === undefined ? bare : { ...bare, startsOn }));
            }}
          />
          <QuantityField label="Crew" value={crew} {...PEOPLE} onCommit={(next) => calendar({ crew: next! })} />
          <QuantityField
            label="Hours a day"
            value={hours}
            {...hoursEntry}
            onCommit={(next) =>
              next! > 0 && next! <= 24 ? calendar({ hours: next! }) : 'A day has more than 0 and at most 24 hours.'
            }
          />
        </View>
      </Fields>
      <Fields of={null}>
        <NameField
          label="Nobody works on"
          value={(head.calendar?.holidays ?? []).join(', ')}
          optional
          most={1300}
          usual="such as 2026-12-25, 2027-01-01"
          onCommit={(typed) => {
            const holidays = [...new Set(typed.split(/[\s,;]+/).filter((each) => each !== ''))].sort();
            const wrong = holidays.find((each) => !daySchema.safeParse(each).success);
            if (wrong !== undefined) return `“${wrong}” is no day; a day is written as 2026-12-25.`;
            return holidays.length > 100 ? 'At most 100 days.' : calendar({ holidays });
          }}
          testID="holidays"
        />
      </Fields>
      {stands.some(({ need, clearance }) => need.kind === 'locate' && clearance === null) && (
        <View style={{ flexDirection: 'row', gap: SPACE.m }}>
          <Mark kind="stop" />
          <View style={{ flex: 1 }}>
            <Text>The marks are not asked for: ask under Clearances, and the days follow.</Text>
          </View>
        </View>
      )}
      {schedule.never.length > 0 && (
        <Text tone="stop" role="alert">
          No day is found for:{' '}
          {steps
            .filter(({ key }) => schedule.never.includes(key))
            .map(stepLabel)
            .join('; ')}
          .
        </Text>
      )}
      <View style={{ gap: SPACE.l }}>
        {days.map((day) => (
          <Day
            key={day}
            day={day}
            weather={forecast.find((each) => each.day === day)}
            own={schedule.steps.filter((each) => each.days.some((at) => at.day === day))}
          />
        ))}
      </View>
      {schedule.done.length === steps.length && <Text>All of it is done.</Text>}
      <Done done={schedule.done} />
      <Text kind="small">
        {weather.data === undefined
          ? 'The weather office is out of reach: wet days and frost are not counted. '
          : 'Weather of a stand-in office that ships with the program. '}
        Hours are usual ones of a small crew with a mini excavator, until you put in your own.
      </Text>
    </View>
  );
}

function Day({ day, weather, own }: { day: string; weather: Weather | undefined; own: readonly Scheduled[] }) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  const { units } = useKept();
  const truck = [...new Set(own.flatMap(({ step }) => truckWords(step).split(', ')).filter((each) => each !== ''))];
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
      {truck.length > 0 && <Text kind="small">On the truck: {truck.join(', ')}.</Text>}
      {own.map((scheduled) => (
        <StepRow key={scheduled.step.key} scheduled={scheduled} day={day} />
      ))}
    </View>
  );
}

function StepRow({ scheduled, day }: { scheduled: Scheduled; day: string }) {
  const styles = useStyles(make);
  const { soft } = usePalette();
  const { job, edit } = useKept();
  const [open, setOpen] = useState(false);
  const [shift, setShift] = useState(0);
  const { step, days } = scheduled;
  const { hours } = days.find((each) => each.day === day)!;
  const first = days[0]!.day;
  const settle = (next: Partial<Step>): string | null => edit(settled(job, step, next));
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
  const label = stepLabel(step);
  const held = heldWords(scheduled);
  return (
    <View style={styles.step}>
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
        </Press>
        <Text kind="strong">{hours} h</Text>
      </View>
      {open && (
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
                  next! > 0 && next! <= 1000
                    ? settle({ hours: next })
                    : 'A step takes more than 0 and at most 1000 hours.'
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
      )}
    </View>
  );
}

/** What is done already: it stands where it was done, and can be taken back. */
function Done({ done }: Pick<Schedule, 'done'>) {
  const styles = useStyles(make);
  const { job, edit } = useKept();
  if (done.length === 0) return null;
  return (
    <View style={styles.day} testID="done">
      <Text kind="heading">Done</Text>
      {done.map(({ step, day }) => (
        <View key={step.key} style={[styles.step, styles.row]}>
          <View style={{ flex: 1 }}>
            <Text>{stepLabel(step)}</Text>
            <Text kind="small">{sayDay(day)}</Text>
          </View>
          <Button label="Not done yet" onPress={() => void edit(settled(job, step, { doneOn: undefined }))} />
        </View>
      ))}
    </View>
  );
}

/** What is settled of a step by hand, put into the job. */
function settled(job: Parameters<typeof ofKind>[0], { key }: WorkStep, next: Partial<Step>) {
  const known = ofKind(job, 'step').find(({ of }) => of === key);
  const fresh = { id: freshId('step'), kind: 'step' as const, of: key };
  return put('Settle a step', defined({ ...fresh, ...known, ...next } as Step));
}
