/** What lies in the ground: by two tapes and its depth; and from where one stands, which pipe is below. */
import { headOf, nameOf, showLength, showSmall, text, tie } from '@katabasis/core';
import {
  builtPoints,
  cornersOf,
  depthWords,
  laidLines,
  pipesNear,
  plannedBefore,
  tieWords,
} from '@katabasis/core/as-built';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { distanceEntry } from '../../../input/entry';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { useJob } from '../../../planning/useJob';
import { useStyles } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Mark } from '../../../ui/Mark';
import { fieldRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';
import { BesidePlan } from './BesidePlan';
import { BuiltOnPlan } from './BuiltOnPlan';
import { PaperFiles } from '../PaperFiles';
import { PhotosAlong } from './PhotosAlong';

const make = (palette: Palette) => ({
  point: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: 2 },
});

const FILES: readonly [file: string, label: string][] = [
  ['as-built.pdf', 'As built, on paper'],
  ['as-built.csv', 'As built (CSV)'],
];

export function AsBuiltPage() {
  const styles = useStyles(make);
  const { job, plan, units } = useJob();
  const points = useMemo(() => builtPoints(job, plan), [job, plan]);
  const before = useMemo(() => plannedBefore(job), [job]);
  if (points.length === 0) return <Text>Nothing is laid yet.</Text>;
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <FromHere />
      <HowLaid />
      <BesidePlan before={before} />
      <BuiltOnPlan before={before} />
      <View>
        {points.map((point) => (
          <View key={`${point.id} ${point.name}`} style={styles.point}>
            <Text kind="strong">
              {point.name}
              {point.depth === null ? '' : `, ${depthWords(point.depth, units)} deep`}
            </Text>
            <Text>{point.place ? tieWords(point.ties, units) : 'It has no place on the plan yet.'}</Text>
          </View>
        ))}
      </View>
      <PhotosAlong />
      <PaperFiles files={FILES} />
    </View>
  );
}

/** How the lines were laid beside their plan. */
function HowLaid() {
  const { job, plan, units } = useJob();
  const lines = useMemo(() => laidLines(job, plan), [job, plan]);
  const read = lines.filter((line) => line.read > 0);
  if (read.length === 0)
    return <Text>Nothing was read as laid: levels are the plan’s. The dig sheet takes readings.</Text>;
  return (
    <View style={{ gap: SPACE.s }}>
      {read.map(({ letter, read: count, off }) => (
        <View key={letter} style={{ flexDirection: 'row', gap: SPACE.m }}>
          <Mark kind={off.length === 0 ? 'holds' : 'mind'} />
          <View style={{ flex: 1 }}>
            <Text>
              Line {letter}: {count - off.length} of {count} readings as planned
              {off.length === 0
                ? '.'
                : `; ${off
                    .slice(0, 4)
                    .map(
                      (each) =>
                        `${text(showSmall(Math.abs(each.off), units))} ${each.off > 0 ? 'high' : 'low'} at ${text(showLength(each.up, units))}`,
                    )
                    .join(', ')}.`}
            </Text>
          </View>
        </View>
      ))}
    </View>
  );
}

/** Pipes farther away than this are not below anybody's feet, m. */
const NEAR = 4;
const SIDES = [
  { value: 'left', label: 'Left' },
  { value: 'right', label: 'Right' },
] as const;

/** Two tapes from two corners: which pipe lies there, how far off and how deep. */
function FromHere() {
  const { job, plan, units } = useJob();
  const corners = useMemo(() => cornersOf(job, headOf(job).north ?? 0), [job]);
  const [open, setOpen] = useState(false);
  const [a, setA] = useState(0);
  const [b, setB] = useState(1);
  const [fromA, setFromA] = useState<number | undefined>();
  const [fromB, setFromB] = useState<number | undefined>();
  const [side, setSide] = useState<'left' | 'right'>('left');
  if (corners.length < 2) return null;
  if (!open)
    return (
      <View style={{ flexDirection: 'row' }}>
        <Button label="What lies below where I stand" kind="main" onPress={() => setOpen(true)} testID="from-here" />
      </View>
    );
  const options = corners.map(({ name }, k) => ({ value: String(k), label: name }));
  const found =
    fromA === undefined || fromB === undefined
      ? null
      : tie({ a: corners[a]!.place, b: corners[b]!.place, fromA, fromB, side });
  const near = found?.ok ? pipesNear(job, plan, found.place, NEAR) : [];
  return (
    <View style={{ gap: SPACE.m }}>
      <Choice label="First tape from" value={String(a)} options={options} strip onChoose={(k) => setA(Number(k))} />
      <Choice label="Second tape from" value={String(b)} options={options} strip onChoose={(k) => setB(Number(k))} />
      <Fields of={null}>
        <View style={fieldRow}>
          <QuantityField
            label="First tape"
            value={fromA}
            {...distanceEntry(units)}
            optional
            onCommit={(m) => (setFromA(m), null)}
            testID="tape-a"
          />
          <QuantityField
            label="Second tape"
            value={fromB}
            {...distanceEntry(units)}
            optional
            onCommit={(m) => (setFromB(m), null)}
            testID="tape-b"
          />
        </View>
      </Fields>
      <Choice
        label="Seen from the first corner toward the second, you stand on its"
        value={side}
        options={SIDES}
        onChoose={setSide}
      />
      <View role="status" testID="below" style={{ gap: SPACE.xs }}>
        {found && !found.ok && (
          <Text tone="fix">
            {found.why === 'onePlace'
              ? 'Both tapes are from one corner: choose two.'
              : `The tapes do not meet: they are ${text(showLength(found.by, units))} too ${found.why}.`}
          </Text>
        )}
        {found?.ok && near.length === 0 && (
          <Text kind="strong">No pipe of this job lies within {text(showLength(NEAR, units))}.</Text>
        )}
        {near.map(({ run, away, depth }) => (
          <Text key={run} kind="strong">
            {nameOf(job, run)}: {text(showLength(away, units))} away, {depthWords(depth, units)} deep.
          </Text>
        ))}
        {found?.ok && near.length > 0 && (
          <Text kind="small">Call for locates before you dig all the same: other lines lie here too.</Text>
        )}
      </View>
    </View>
  );
}
