/** The days of the work: every step on the days that it falls on, round marks, rain and frost. */
import { calendarOf, daySchema, headOf, put, stepLabel, truckLoads, type TakeOff } from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { NameField, QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { DayField } from '../../parts/Day';
import { SPACE } from '../../theme/tokens';
import { Figure } from '../../ui/Figure';
import { Mark } from '../../ui/Mark';
import { fieldRow, figureRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { sayDay } from '../../parts/today';
import { CrewOfJob } from './CrewOfJob';
import { DayOfWork, Done, PEOPLE } from './DayOfWork';
import { Tools } from './Tools';
import { useSchedule } from './useSchedule';
import { hoursEntry } from '../../input/entry';
import { paceEntry } from '../../input/workEntries';

export function DaysSheet({ taken }: { taken: TakeOff }) {
  const { job, plan } = useJob();
  const { stands, steps, schedule, days, forecast } = useSchedule(taken);
  const loads = useMemo(() => truckLoads(job, plan, taken, steps), [job, plan, taken, steps]);
  if (steps.length === 0) return <Text>Nothing is laid yet: there are no days to plan.</Text>;
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
      <Calendar />
      <CrewOfJob days={{ from: schedule.first ?? null, to: schedule.last ?? null }} />
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
            .map((step) => stepLabel(job, step))
            .join('; ')}
          .
        </Text>
      )}
      <View style={{ gap: SPACE.l }}>
        {days.map((day) => (
          <DayOfWork
            key={day}
            day={day}
            weather={forecast?.find((each) => each.day === day)}
            loads={loads}
            own={schedule.steps.filter((each) => each.days.some((at) => at.day === day))}
          />
        ))}
      </View>
      {schedule.done.length === steps.length && <Text>All of it is done.</Text>}
      <Done done={schedule.done} />
      <Tools taken={taken} />
      <Text kind="small">
        {forecast === undefined
          ? 'The weather office is out of reach: wet days and frost are not counted. '
          : 'Weather of a stand-in office that ships with the program. '}
        Hours are usual ones of a small crew with a mini excavator, until you put in your own.
      </Text>
    </View>
  );
}

/** When the work begins, by how many, how long a day, and the days that nobody works on. */
function Calendar() {
  const { job, edit } = useJob();
  const { crew, hours, pace } = calendarOf(job);
  const head = headOf(job);
  const calendar = (next: NonNullable<typeof head.calendar>): string | null =>
    edit(put('Set the days of the work', { ...head, calendar: { ...head.calendar, ...next } }));
  return (
    <>
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
          <QuantityField
            label="Own pace"
            value={pace}
            {...paceEntry}
            hint="1.5 takes half as long again as usual"
            onCommit={(next) => calendar({ pace: next! })}
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
    </>
  );
}
