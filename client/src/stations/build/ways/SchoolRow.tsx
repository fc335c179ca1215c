/** One question: what this job has chosen, why one builds so or otherwise, and what each other way would change here. */
import {
  differenceWords,
  headOf,
  put,
  sideLabel,
  type Difference,
  type JobElement,
  type School,
  type UnitSystem,
} from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { without } from '../../../input/without';
import { useStyles } from '../../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../../theme/tokens';
import { Press } from '../../../ui/Press';
import { Text } from '../../../ui/Text';
import { Ticks } from '../../../ui/Ticks';
import { ForCompany } from './ForCompany';
import { Jars } from './Jars';
import { sideKey } from './useDifferences';

const make = (palette: Palette) => ({
  row: { borderTopWidth: 1, borderTopColor: palette.line },
  head: { minHeight: TOUCH + 8, paddingVertical: SPACE.s, justifyContent: 'center' as const, gap: 2 },
  side: {
    borderLeftWidth: 4,
    borderLeftColor: palette.line,
    paddingLeft: SPACE.m,
    paddingVertical: SPACE.s,
    minHeight: TOUCH,
    gap: SPACE.xs,
  },
  chosen: { borderLeftColor: palette.ink, backgroundColor: palette.bank },
  foot: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: SPACE.m, alignItems: 'flex-end' as const },
});

interface Props {
  school: School;
  differences: ReadonlyMap<string, Difference>;
  open: boolean;
  onToggle: () => void;
}

export function SchoolRow({ school, differences, open, onToggle }: Props) {
  const styles = useStyles(make);
  const { job, units } = useJob();
  const chosen = school.chosen(job);
  const now = school.sides.find(({ id }) => id === chosen);
  const label = now ? sideLabel(now, units) : 'It differs from place to place';
  // Each has its line from the beginning: nothing moves under a thumb as one after another is worked out.
  const others = school.sides
    .filter(({ id }) => id !== chosen)
    .map((side) => {
      const difference = differences.get(sideKey(school, side.id));
      return `${sideLabel(side, units)}: ${difference ? inShort(difference, units) : 'being worked out'}`;
    });
  return (
    <View style={styles.row} testID={`school-${school.id}`}>
      <Press role="button" aria-expanded={open} onPress={onToggle} style={styles.head}>
        <Text kind="small">{school.question}</Text>
        <Text kind="strong">{label}</Text>
        {!open &&
          others.map((said) => (
            <Text key={said} kind="small">
              {said}
            </Text>
          ))}
      </Press>
      {open && <Sides school={school} differences={differences} />}
    </View>
  );
}

/** Where neither price, time nor what is to be mended differs, whether anything does. */
function inShort(difference: Difference, units: UnitSystem): string {
  const { short, lines } = differenceWords(difference, units);
  return short || (lines.length > 0 ? 'the same price and time' : 'no difference');
}

function Sides({ school, differences }: Pick<Props, 'school' | 'differences'>) {
  const styles = useStyles(make);
  const { job, edit, units } = useJob();
  const chosen = school.chosen(job);
  return (
    <View style={{ gap: SPACE.m, paddingBottom: SPACE.l }}>
      <View role="radiogroup" aria-label={school.question} style={{ gap: SPACE.s }}>
        {school.sides.map((side) => {
          const { id, reasons } = side;
          const label = sideLabel(side, units);
          return (
            <Press
              key={id}
              role="radio"
              aria-checked={id === chosen}
              aria-label={label}
              onPress={() => {
                if (id !== chosen) edit(school.choose(job, id));
              }}
              style={[styles.side, id === chosen && styles.chosen]}
              testID={`side-${school.id}-${id}`}
            >
              <Text kind="strong">{label}</Text>
              <Text>{reasons}</Text>
              {id !== chosen && <Changes difference={differences.get(sideKey(school, id))} />}
            </Press>
          );
        })}
      </View>
      <Jars school={school.id} />
      <View style={styles.foot}>
        <Explained school={school} />
        {chosen !== null && <ForCompany school={school} side={chosen} />}
      </View>
    </View>
  );
}

/** What choosing it would change here. */
function Changes({ difference }: { difference: Difference | undefined }) {
  const { units } = useJob();
  if (!difference) return <Text kind="small">Being worked out</Text>;
  const { lines } = differenceWords(difference, units);
  const short = inShort(difference, units);
  return (
    <>
      <Text kind="strong">{short.charAt(0).toUpperCase() + short.slice(1)}</Text>
      {lines.map((line) => (
        <Text key={line} kind="small">
          {line}
        </Text>
      ))}
    </>
  );
}

/** Whether the offer explains it to the customer. */
function Explained({ school }: { school: School }) {
  const { job, edit } = useJob();
  const head = headOf(job);
  const explains = head.explains ?? [];
  const on = explains.includes(school.id);
  const toggle = (): void => {
    const next = on ? explains.filter((id) => id !== school.id) : [...explains, school.id];
    const to = without({ ...head }, 'explains', next.length > 0 ? next : undefined) as JobElement;
    edit(put(on ? 'Leave a question out of the offer' : 'Explain a question in the offer', to));
  };
  return (
    <Ticks
      label="For the customer"
      options={[
        {
          value: school.id,
          label: on ? 'Explained in the offer' : 'Explain it in the offer',
          testID: `explain-${school.id}`,
        },
      ]}
      ticked={explains}
      onToggle={toggle}
    />
  );
}
