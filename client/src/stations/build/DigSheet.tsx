/** What the crew digs by: station by station from the way out upward, how deep, what the rod must read; and what was laid, judged at once. */
import {
  digSheet,
  elementOf,
  judgedWords,
  judgeLaid,
  MATERIAL_FACTS,
  METRES_PER_FOOT,
  nameOf,
  parseLength,
  put,
  rePitch,
  showLength,
  showLevel,
  showNominal,
  showPitch,
  showPitchTrade,
  showSmall,
  stationName,
  targetRod,
  text,
  type Change,
  type DigLine,
  type DigStation,
  type Element,
  type Laid,
  type Plan,
  type UnitSystem,
} from '@katabasis/core';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { z } from 'zod';
import { planWith } from '../../data/planner';
import { useKept } from '../../data/useJob';
import { useWorked } from '../../data/useWorked';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { Keypad } from '../../input/Keypad';
import { levelEntry } from '../../input/entry';
import { useNoted } from '../../input/useNoted';
import { GivesLine } from '../../parts/GivesLine';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Figure } from '../../ui/Figure';
import { fieldRow } from '../../ui/rows';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';

const make = (palette: Palette) => ({
  station: { borderTopWidth: 1, borderTopColor: palette.line },
  head: { minHeight: TOUCH + 16, paddingVertical: SPACE.xs, justifyContent: 'center' as const },
  row: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.m },
  figures: { alignItems: 'flex-end' as const },
  open: { gap: SPACE.m, paddingBottom: SPACE.l },
  told: { flexDirection: 'row' as const, gap: SPACE.s, alignItems: 'center' as const },
});

/** The instrument as it stands today: a known level and the rod on it, m. Of this device. */
const sightSchema = z.object({ level: z.number().optional(), rod: z.number().optional() });
const NO_SIGHT: z.infer<typeof sightSchema> = {};

const SPACINGS = { us: [5 * METRES_PER_FOOT, 10 * METRES_PER_FOOT], metric: [2, 3] } as const;
/** Readings this near to one another are of one place, m. */
const SAME = 0.02;
/** As long as a rod is, m. */
const ROD = 9;

export function DigSheet() {
  const { job, plan, units } = useKept();
  const [every, setEvery] = useState<'near' | 'far'>('far');
  const spacing = SPACINGS[units][every === 'near' ? 0 : 1];
  const lines = useMemo(() => digSheet(job, plan, spacing), [job, plan, spacing]);
  const [letter, setLetter] = useState<string | null>(null);
  const [sight, setSight] = useNoted(`katabasis.dig.${job.id}.sight`, sightSchema, NO_SIGHT);
  const line = lines.find((each) => each.letter === letter) ?? lines[0];
  if (!line) return <Text>No line reaches a way out yet: there is nothing to dig by.</Text>;
  const high = sight.level !== undefined && sight.rod !== undefined ? sight.level + sight.rod : null;
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <View style={fieldRow}>
        {lines.length > 1 && (
          <Choice
            label="Line"
            value={line.letter}
            options={lines.map((each) => ({ value: each.letter, label: each.letter }))}
            onChoose={setLetter}
          />
        )}
        <Choice
          label="A station every"
          value={every}
          options={(['near', 'far'] as const).map((value) => ({
            value,
            label: text(showLength(SPACINGS[units][value === 'near' ? 0 : 1], units)),
          }))}
          onChoose={setEvery}
        />
      </View>
      <Fields of={null}>
        <View style={fieldRow}>
          <QuantityField
            label="Known level"
            value={sight.level}
            {...levelEntry(units)}
            optional
            usual="a sill, a nail"
            onCommit={(level) => {
              setSight((now) => ({ ...now, level: level ?? undefined }));
              return null;
            }}
            testID="dig-level"
          />
          <QuantityField
            label="Rod on it"
            value={sight.rod}
            {...levelEntry(units)}
            optional
            usual="as read"
            onCommit={(rod) => {
              setSight((now) => ({ ...now, rod: rod ?? undefined }));
              return null;
            }}
            testID="dig-rod"
          />
        </View>
      </Fields>
      {high === null ? (
        <Text tone="soft">
          Set up the level: with a known level and the rod on it, every station says what to read.
        </Text>
      ) : (
        <Text>Line of sight at {text(showLevel(high, units))}.</Text>
      )}
      <Stations key={line.letter} line={line} high={high} />
    </View>
  );
}

/** Readings of a line, m up it. */
function laidOn(line: DigLine, job: ReturnType<typeof useKept>['job']): Laid[] {
  return line.runs.flatMap((id) => {
    const run = elementOf(job, 'run', id);
    const foot = line.stations.find((station) => station.run === id);
    if (!run?.laid || !foot) return [];
    const head = foot.up + foot.along;
    return run.laid.map(({ along, level }) => ({ up: head - along, level }));
  });
}

function Stations({ line, high }: { line: DigLine; high: number | null }) {
  const { job, units } = useKept();
  const [open, setOpen] = useState<number | null>(null);
  const laid = laidOn(line, job);
  return (
    <View>
      {line.stations.map((station, k) => (
        <View key={station.up}>
          {line.meets
            .filter(({ from }) => from > (line.stations[k - 1]?.up ?? -1) && from <= station.up)
            .map(({ id, from }) => (
              <Text key={`${id} ${from}`} kind="small">
                Crosses {nameOf(job, id)} at {text(showLength(from, units))}
                {depthOf(job.elements.get(id), units)}.
              </Text>
            ))}
          {station.run !== line.stations[k - 1]?.run && <RunHead id={station.run} />}
          <Station
            station={station}
            high={high}
            laid={laid}
            open={open === k}
            onToggle={() => setOpen((now) => (now === k ? null : k))}
          />
        </View>
      ))}
    </View>
  );
}

/** How deep what is crossed lies, where that is known. */
const depthOf = (element: Element | undefined, units: UnitSystem): string =>
  element?.kind !== 'service'
    ? ''
    : element.depth === undefined
      ? ', nobody knows how deep: dig by hand'
      : `, some ${text(showSmall(element.depth, units))} deep: dig by hand`;

/** What is laid from here up: its size, its make, and its pitch as a level or a laser is set to it. */
function RunHead({ id }: { id: string }) {
  const { job, plan, units } = useKept();
  const run = plan.runs[id]!;
  return (
    <View style={{ paddingTop: SPACE.m }}>
      <Text kind="strong">
        {text(showNominal(run.nominal, units))} {MATERIAL_FACTS[run.material].short} at {text(showPitch(run.pitch))},{' '}
        {text(showPitchTrade(run.pitch, units))}
      </Text>
      <Text kind="small">{nameOf(job, id)}</Text>
    </View>
  );
}

interface StationProps {
  station: DigStation;
  high: number | null;
  laid: readonly Laid[];
  open: boolean;
  onToggle: () => void;
}

function Station({ station, high, laid, open, onToggle }: StationProps) {
  const styles = useStyles(make);
  const { job, plan, units } = useKept();
  const name = stationName(job, station);
  const own = laid.find(({ up }) => Math.abs(up - station.up) < SAME);
  const run = plan.runs[station.run]!;
  const judged = own ? judgeLaid(station, own.level, laid, run) : null;
  const words = judged && judgedWords(job, judged);
  const rod = high === null ? null : targetRod(high, station);
  const at = text(showLength(station.up, units));
  const again =
    own && judged?.rest && judged.state !== 'right' ? rePitch(job, run, station, own.level, judged.rest) : null;
  return (
    <View style={styles.station}>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${at}${name ? `, ${name}` : ''}: cut ${text(showSmall(station.cut, units))}`}
        onPress={onToggle}
        style={styles.head}
        testID="dig-station"
      >
        <View style={styles.row}>
          <View style={{ flex: 1 }}>
            <Text kind="figure">{at}</Text>
          </View>
          <View style={styles.figures}>
            <Figure label="Cut" shown={showSmall(station.cut, units)} />
          </View>
          {rod !== null && (
            <View style={styles.figures}>
              <Figure label="Rod" shown={rod < 0 ? { value: 'too low', unit: '' } : showLevelled(rod)} size="hero" />
            </View>
          )}
        </View>
        {name !== null && <Text>{name}</Text>}
        {words && (
          <View style={styles.told}>
            <Mark kind={words.tone} />
            <View style={{ flex: 1 }}>
              <Text kind="strong">{words.said}</Text>
            </View>
          </View>
        )}
      </Pressable>
      {open && (
        <View style={styles.open}>
          <Text kind="small">
            Ground {text(showLevel(station.ground, units))}, invert {text(showLevel(station.invert, units))}
            {station.bedding > 0 ? `, ${text(showSmall(station.bedding, units))} of bedding under it` : ''}.
          </Text>
          {words?.rest && <Text>{words.rest}</Text>}
          {again && judged?.rest?.drains && <Again change={again} />}
          {high === null ? (
            <Text tone="soft">Set up the level above, then key in what the rod reads on the pipe’s invert.</Text>
          ) : (
            <Entry station={station} high={high} />
          )}
        </View>
      )}
    </View>
  );

  function showLevelled(metres: number): { value: string; unit: string } {
    const { value, unit } = showLevel(metres, units);
    return { value: value.replace('+', ''), unit };
  }
}

/** The rest laid anew in one tap, and what is said of the whole plan then: lines that come in above rise with their head. */
function Again({ change }: { change: Change }) {
  const { job, edit } = useKept();
  const key = JSON.stringify(change.puts.map((element) => ('grade' in element ? element.grade : null)));
  const then = useWorked<Plan>([job, key], async (signal, give) => give(await planWith(job, change, signal)));
  return (
    <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
      <Button label="Re-pitch what is left" onPress={() => void edit(change)} testID="re-pitch" />
      {then && <GivesLine mark={then.verdict.state} says={`Then: ${then.verdict.sentence}`} />}
    </View>
  );
}

/** The rod as it reads on what was laid. */
function Entry({ station, high }: { station: DigStation; high: number }) {
  const { job, units, edit } = useKept();
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const read = parseLength(typed, units);
  const take = (): void => {
    const run = elementOf(job, 'run', station.run);
    if (!run || !read.ok) return;
    if (Math.abs(read.value) > ROD) return setWrong('A rod is at most 9 m (29 ft) long.');
    const others = (run.laid ?? []).filter(({ along }) => Math.abs(along - station.along) >= SAME);
    const laid = [...others, { along: station.along, level: high - read.value, at: new Date().toISOString() }];
    const refused = edit(put(`As laid at ${text(showLength(station.up, units))}`, { ...run, laid }));
    if (refused !== null) return setWrong(refused);
    setWrong(null);
    setTyped('');
  };
  return (
    <>
      <Keypad units={units} typed={typed} onTyped={setTyped} read={typed === '' ? null : read}>
        <Button label="Take it" kind="main" disabled={!read.ok} onPress={take} testID="take-laid" />
      </Keypad>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </>
  );
}
