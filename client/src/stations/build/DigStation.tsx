/** One station of the dig sheet: what the rod or the string should read there, and what was found. */
import {
  elementOf,
  judgedWords,
  judgeLaid,
  parseLength,
  put,
  readElsewhere,
  rePitch,
  SAME_STATION,
  showLength,
  showLevel,
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
import { useJob } from '../../planning/useJob';
import { useWorked } from '../../planning/useWorked';
import { Keypad } from '../../input/Keypad';
import { useNoted } from '../../input/useNoted';
import { GivesLine } from '../../parts/GivesLine';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette, TOUCH } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Figure } from '../../ui/Figure';
import { Press } from '../../ui/Press';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { usePointed } from './beside/pointed';

const make = (palette: Palette) => ({
  station: { borderTopWidth: 1, borderTopColor: palette.line },
  head: { minHeight: TOUCH + 16, paddingVertical: SPACE.xs, justifyContent: 'center' as const },
  row: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.m },
  figures: { alignItems: 'flex-end' as const },
  open: { gap: SPACE.m, paddingBottom: SPACE.l },
  told: { flexDirection: 'row' as const, gap: SPACE.s, alignItems: 'center' as const },
});

/** As long as a rod is, m. */
const ROD = 9;

/** How deep what is crossed lies, where that is known. */
export const depthOf = (element: Element | undefined, units: UnitSystem): string =>
  element?.kind !== 'service'
    ? ''
    : element.depth === undefined
      ? ', nobody knows how deep: dig by hand'
      : `, some ${text(showSmall(element.depth, units))} deep: dig by hand`;

interface StationProps {
  station: DigStation;
  high: number | null;
  byString: boolean;
  laid: readonly Laid[];
  line: DigLine;
  open: boolean;
  onToggle: () => void;
}

export function Station({ station, high, byString, laid, line, open, onToggle }: StationProps) {
  const styles = useStyles(make);
  const { job, plan, units } = useJob();
  const name = stationName(job, station);
  const own = laid.find(({ run, up }) => run === station.run && Math.abs(up - station.up) < SAME_STATION);
  const run = plan.runs[station.run]!;
  const judged = own ? judgeLaid(station, own.level, laid, run) : null;
  const words = judged && judgedWords(job, judged);
  const elsewhere = own && readElsewhere(line, station, own.level);
  const rod = high === null ? null : targetRod(high, station);
  const at = text(showLength(station.up, units));
  const pointed = usePointed(useMemo(() => ({ ids: [station.run], spot: station }), [station]));
  return (
    <View style={styles.station} {...pointed}>
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
        {station.assumed && <Text kind="small">The ground here is assumed: measure it before you dig.</Text>}
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
  const { job, plan, edit } = useJob();
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
  const { job, units, edit } = useJob();
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
