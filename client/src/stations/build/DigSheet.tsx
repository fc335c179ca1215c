/** What the crew digs by: station by station from the way out upward, how deep, what the rod must read; and what was laid, judged at once. */
import {
  digSheet,
  laidOn,
  MATERIAL_FACTS,
  METRES_PER_FOOT,
  nameOf,
  showLength,
  showLevel,
  showNominal,
  showPitch,
  showPitchTrade,
  showSmall,
  sharingOf,
  text,
  type DigLine,
  type DigStation,
} from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { useNoted } from '../../input/useNoted';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { Station, depthOf } from './DigStation';
import { levelEntry, smallEntry } from '../../input/entry';
import { usePointedFirst } from './beside/pointed';

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
export function DigSheet() {
  const { job, plan, units } = useJob();
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
  const { units } = useJob();
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
  const { job, plan, units } = useJob();
  const [open, setOpen] = useState<number | null>(null);
  const sharing = useMemo(() => sharingOf(job, plan), [job, plan]);
  const laid = laidOn(job, line);
  const first = line.stations[0];
  usePointedFirst(
    useMemo(
      () => ({ ids: [...new Set(line.stations.map(({ run }) => run))], ...(first ? { spot: first } : {}) }),
      [line, first],
    ),
  );
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
          {station.run !== line.stations[k - 1]?.run && <RunHead id={station.run} shares={sharing(station.run)} />}
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

/** What is laid from here up: its size, its make, and its pitch as a level or a laser is set to it. */
function RunHead({ id, shares }: { id: string; shares: readonly string[] }) {
  const { job, plan, units } = useJob();
  const run = plan.runs[id]!;
  return (
    <View style={{ paddingTop: SPACE.m }}>
      <Text kind="strong">
        {text(showNominal(run.nominal, units))} {MATERIAL_FACTS[run.material].short} at {text(showPitch(run.pitch))},{' '}
        {text(showPitchTrade(run.pitch, units))}
      </Text>
      <Text kind="small">{nameOf(job, id)}</Text>
      {shares.map((each) => (
        <Text key={each} kind="small">
          {each}
        </Text>
      ))}
    </View>
  );
}
