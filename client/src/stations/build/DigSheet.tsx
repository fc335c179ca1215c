/** What the crew digs by: station by station from the way out upward, how deep, what the rod must read; and what was laid, judged at once. */
import {
  digSheet,
  elementOf,
  judgedWords,
  judgeLaid,
  laidOn,
  MATERIAL_FACTS,
  METRES_PER_FOOT,
  nameOf,
  parseLength,
  put,
  readElsewhere,
  rePitch,
  SAME_STATION,
  showLength,
  showLevel,
  showNominal,
  showPitch,
  showPitchTrade,
  showSmall,
  stationName,
  targetRod,
  text,
  type DigLine,
  type DigStation,
  type Element,
  type Laid,
  type Plan,
  type UnitSystem,
} from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { planWith } from '../../planning/planner';
import { useKept } from '../../planning/useJob';
import { useWorked } from '../../planning/useWorked';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { Keypad } from '../../input/Keypad';
import { levelEntry, smallEntry } from '../../input/entry';
import { useNoted } from '../../input/useNoted';
import { GivesLine } from '../../parts/GivesLine';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Figure } from '../../ui/Figure';
import { Press } from '../../ui/Press';
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

/** What is looked at, and the instrument as it stands: a known level and the rod on it, m, and the day that it was read. Of this device. */
const sheetSchema = z.object({
  letter: z.string().optional(),
  near: z.boolean().optional(),
  level: z.number().optional(),
  rod: z.number().optional(),
  day: z.string().optional(),
  /** Dug by a string instead, stretched so far above the invert, m. */
  by: z.enum(['level', 'string']).optional(),
  over: z.number().optional(),
});
type Kept = z.infer<typeof sheetSchema>;
const NOTHING_KEPT: Kept = {};
const SIGHT = [
  { field: 'level', label: 'Known level', usual: 'a sill, a nail', testID: 'dig-level' },
  { field: 'rod', label: 'Rod on it', usual: 'as read', testID: 'dig-rod' },
] as const;

const today = (): string => new Date().toDateString();

/** Level of the line of sight, m; null while it is not set up, or was on another day: nobody leaves an instrument standing overnight. */
const sightOf = ({ level, rod, day }: Kept): number | null =>
  level !== undefined && rod !== undefined && day === today() ? level + rod : null;

const SPACINGS = { us: [5 * METRES_PER_FOOT, 10 * METRES_PER_FOOT], metric: [2, 3] } as const;
/** Usual height of a string above the invert, m: 4 ft, clear of the ground of most trenches. */
const STRING = 4 * METRES_PER_FOOT;
/** As long as a rod is, m. */
const ROD = 9;

export function DigSheet() {
  const { job, plan, units } = useKept();
  const [kept, keep] = useNoted(`katabasis.dig.${job.id}`, sheetSchema, NOTHING_KEPT);
  const keepAlso = (next: Kept): void => keep((now) => ({ ...now, ...next }));
  const spacing = SPACINGS[units][kept.near ? 0 : 1];
  const lines = useMemo(() => digSheet(job, plan, spacing), [job, plan, spacing]);
  const line = lines.find((each) => each.letter === kept.letter) ?? lines[0];
  if (!line) return <Text>No line reaches a way out yet: there is nothing to dig by.</Text>;
  const byString = kept.by === 'string';
  const high = sightOf(kept);
  // A string runs beside the pipe, everywhere as high above it.
  const sight = byString ? (station: DigStation) => station.invert + (kept.over ?? STRING) : () => high;
  const stale = kept.rod !== undefined && kept.day !== today();
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <View style={fieldRow}>
        {lines.length > 1 && (
          <Choice
            label="Line"
            value={line.letter}
            options={lines.map((each) => ({ value: each.letter, label: each.letter }))}
            onChoose={(letter) => keepAlso({ letter })}
          />
        )}
        <Choice
          label="A station every"
          value={kept.near ? 'near' : 'far'}
          options={(['near', 'far'] as const).map((value) => ({
            value,
            label: text(showLength(SPACINGS[units][value === 'near' ? 0 : 1], units)),
          }))}
          onChoose={(value) => keepAlso({ near: value === 'near' })}
        />
      </View>
      <Choice
        label="Dug by"
        value={byString ? 'string' : 'level'}
        options={[
          { value: 'level', label: 'Level and rod' },
          { value: 'string', label: 'String line' },
        ]}
        onChoose={(by) => keepAlso({ by })}
      />
      {byString ? (
        <ByString over={kept.over ?? STRING} onOver={(over) => keepAlso({ over })} />
      ) : (
        <>
          <Fields of={null}>
            <View style={fieldRow}>
              {SIGHT.map(({ field, ...shown }) => (
                <QuantityField
                  key={field}
                  {...shown}
                  value={field === 'rod' && stale ? undefined : kept[field]}
                  {...levelEntry(units)}
                  optional
                  onCommit={(read) => {
                    keepAlso(field === 'rod' ? { rod: read, day: today() } : { level: read });
                    return null;
                  }}
                />
              ))}
            </View>
          </Fields>
          {high === null ? (
            <Text tone="soft">
              {stale
                ? 'The level was set up on another day: read the rod on the known level again.'
                : 'Set up the level: with a known level and the rod on it, every station says what to read.'}
            </Text>
          ) : (
            <Text>Line of sight at {text(showLevel(high, units))}.</Text>
          )}
        </>
      )}
      <Stations key={line.letter} line={line} sight={sight} byString={byString} />
    </View>
  );
}

/** How high above the invert the string is stretched. */
function ByString({ over, onOver }: { over: number; onOver: (over: number) => void }) {
  const { units } = useKept();
  return (
    <>
      <Fields of={null}>
        <QuantityField
          label="String above the invert"
          value={over}
          {...smallEntry(units, 0.1, 3, 'A string is stretched')}
          onCommit={(next) => {
            onOver(next!);
            return null;
          }}
          testID="dig-string"
        />
      </Fields>
      <Text tone="soft">
        Fix it to a peg at each station, as high over the ground as is said there; everywhere along it the invert lies{' '}
        {text(showSmall(over, units))} below.
      </Text>
    </>
  );
}

interface StationsProps {
  line: DigLine;
  /** Level that is measured down from at a station, m; null while there is none. */
  sight: (station: DigStation) => number | null;
  byString: boolean;
}

function Stations({ line, sight, byString }: StationsProps) {
  const { job, units } = useKept();
  const [open, setOpen] = useState<number | null>(null);
  const laid = laidOn(job, line);
  return (
    <View>
      {line.stations.map((station, k) => (
        <View key={`${station.run} ${station.up}`}>
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
            high={sight(station)}
            byString={byString}
            laid={laid}
            line={line}
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
  byString: boolean;
  laid: readonly Laid[];
  line: DigLine;
  open: boolean;
  onToggle: () => void;
}

function Station({ station, high, byString, laid, line, open, onToggle }: StationProps) {
  const styles = useStyles(make);
  const { job, plan, units } = useKept();
  const name = stationName(job, station);
  const own = laid.find(({ run, up }) => run === station.run && Math.abs(up - station.up) < SAME_STATION);
  const run = plan.runs[station.run]!;
  const judged = own ? judgeLaid(station, own.level, laid, run) : null;
  const words = judged && judgedWords(job, judged);
  const elsewhere = own && readElsewhere(line, station, own.level);
  const rod = high === null ? null : targetRod(high, station);
  const at = text(showLength(station.up, units));
  return (
    <View style={styles.station}>
      <Press
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
              {byString ? (
                <Figure label="String over ground" shown={showSmall(high! - station.ground, units)} size="hero" />
              ) : (
                <Figure label="Rod" shown={rod < 0 ? { value: 'too low', unit: '' } : showLevelled(rod)} size="hero" />
              )}
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
      </Press>
      {open && (
        <View style={styles.open}>
          <Text kind="small">
            Ground {text(showLevel(station.ground, units))}, invert {text(showLevel(station.invert, units))}
            {station.bedding > 0 ? `, ${text(showSmall(station.bedding, units))} of bedding under it` : ''}.
          </Text>
          {elsewhere && (
            <Text>That is what the station at {text(showLength(elsewhere.up, units))} asks for: is the rod there?</Text>
          )}
          {words?.rest && <Text>{words.rest}</Text>}
          {own && judged?.rest?.drains && judged.state !== 'right' && (
            <Again station={station} level={own.level} raise={judged.rest.raise} />
          )}
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
function Again({ station, level, raise }: { station: DigStation; level: number; raise: number }) {
  const { job, plan, edit } = useKept();
  const change = useMemo(
    () => rePitch(job, plan.runs[station.run]!, station, level, raise),
    [job, plan, station, level, raise],
  );
  const then = useWorked<Plan>([job, change], async (signal, give) => {
    if (change) give(await planWith(job, change, signal));
  });
  if (!change) return null;
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
  const [typed, note] = useNoted(`katabasis.dig.${job.id}.${station.run} ${station.along.toFixed(2)}`, z.string(), '');
  const setTyped = (next: string): void => note(() => next);
  const [wrong, setWrong] = useState<string | null>(null);
  const read = parseLength(typed, units);
  const take = (): void => {
    const run = elementOf(job, 'run', station.run);
    if (!run || !read.ok) return;
    if (Math.abs(read.value) > ROD) return setWrong('A rod is at most 9 m (29 ft) long.');
    const others = (run.laid ?? []).filter(({ along }) => Math.abs(along - station.along) >= SAME_STATION);
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
