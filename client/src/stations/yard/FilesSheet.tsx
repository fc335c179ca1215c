/** Levels, the site, plans and photos: in and out. */
import {
  COLUMNS,
  decodeText,
  freeName,
  freshId,
  guessMapping,
  levelsTable,
  mappingFault,
  nameOf,
  ofKind,
  placedLevels,
  readGeoJson,
  readLevels,
  toGeoJson,
  type Column,
  type Mapping,
  type Place,
} from '@katabasis/core';
import Papa from 'papaparse';
import { useState } from 'react';
import { View } from 'react-native';
import { pickFile, saveFile, slug } from '../../files/files';
import { saveTable } from '../../files/tables';
import { keepPicture } from '../../files/pictures';
import { useKept } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Text } from '../../ui/Text';

/** Bytes; a million levels are fewer. */
const MOST = 20e6;

interface Table {
  name: string;
  rows: string[][];
  mapping: Mapping;
}

interface Props {
  /** Middle of what is in sight: new pictures come there. */
  middle: Place;
  onClose: () => void;
  onGo: (id: string) => void;
}

export function FilesSheet({ middle, onClose, onGo }: Props) {
  const { job, edit, units } = useKept();
  const [table, setTable] = useState<Table | null>(null);
  const [said, setSaid] = useState<{ wrong: boolean; lines: string[] } | null>(null);
  const wrong = (...lines: string[]): void => setSaid({ wrong: true, lines });
  const pick = async (accept: string): Promise<File | null> => {
    setSaid(null);
    const file = await pickFile(accept);
    if (file && file.size > MOST && !accept.startsWith('image')) {
      wrong(`${file.name} is ${Math.round(file.size / 1e6)} MB; at most ${MOST / 1e6} MB are read.`);
      return null;
    }
    return file;
  };
  const text = async (file: File): Promise<string> => decodeText(new Uint8Array(await file.arrayBuffer()));
  const pickLevels = async (): Promise<void> => {
    const file = await pick('.csv,.txt,text/csv,text/plain');
    if (!file) return;
    const { data } = Papa.parse<string[]>(await text(file), { skipEmptyLines: 'greedy' });
    if (data.length === 0) return wrong(`${file.name} holds nothing.`);
    setTable({ name: file.name, rows: data, mapping: guessMapping(data, units === 'us' ? 'ft' : 'm') });
  };
  const pickSite = async (): Promise<void> => {
    const file = await pick('.geojson,.json,application/geo+json');
    if (!file) return;
    let raw: unknown;
    try {
      raw = JSON.parse(await text(file));
    } catch {
      return wrong(`${file.name} is no GeoJSON: it breaks off, or is a file of another sort.`);
    }
    const read = readGeoJson(job, raw);
    if (!read.ok) return wrong(read.sentence);
    const refusedLines = read.refused.slice(0, 12).map(({ path, sentence }) => `${path} ${sentence}`);
    if (read.change.puts.length === 0) return wrong('Nothing in it could be read.', ...refusedLines);
    const refused = edit(read.change);
    if (refused !== null) return wrong(refused);
    setSaid({
      wrong: read.refused.length > 0,
      lines: [`${read.put} put in, ${read.replaced} replaced. Undo takes it all back.`, ...refusedLines],
    });
  };
  const pickPicture = async (as: 'photo' | 'underlay'): Promise<void> => {
    const file = await pick('image/*');
    if (!file) return;
    const kept = await keepPicture(file).catch((error: Error) => error);
    if (kept instanceof Error) return wrong(kept.message);
    const id = freshId(as === 'photo' ? 'photo' : 'sheet');
    const half = 15;
    const element =
      as === 'photo'
        ? { id, kind: 'photo' as const, name: freeName(job, 'Photo'), file: kept.hash, place: middle }
        : {
            id,
            kind: 'underlay' as const,
            name: freeName(job, 'Underlay'),
            file: kept.hash,
            ratio: kept.ratio,
            a: { spot: { across: 0, down: 0.5 }, place: { east: middle.east - half, north: middle.north } },
            b: { spot: { across: 1, down: 0.5 }, place: { east: middle.east + half, north: middle.north } },
          };
    const refused = edit({
      label: as === 'photo' ? 'Keep a photo' : 'Lay a picture under',
      puts: [element],
      removes: [],
    });
    if (refused !== null) wrong(refused);
    else onGo(id);
  };
  const saveLevels = (): void => {
    const spots = new Map(ofKind(job, 'spotLevel').map((spot) => [spot.id, spot]));
    const levels = placedLevels(job).map(({ id, east, north, level }) => ({
      name: nameOf(job, id),
      east,
      north,
      level,
      code: spots.get(id)?.code,
    }));
    saveTable(job, 'levels', levelsTable(levels));
  };
  const saveSite = (): void =>
    saveFile(`${slug(nameOf(job, 'job'))}.geojson`, JSON.stringify(toGeoJson(job), null, 1), 'application/geo+json');
  if (table)
    return (
      <TableSheet
        table={table}
        onTable={setTable}
        onIn={(lines) => {
          setTable(null);
          setSaid({ wrong: lines.length > 1, lines });
        }}
        onClose={onClose}
      />
    );
  return (
    <Sheet title="Files" onClose={onClose}>
      {said && (
        <View role={said.wrong ? 'alert' : 'status'}>
          {said.lines.map((line) => (
            <Text key={line} {...(said.wrong ? { tone: 'stop' as const } : {})}>
              {line}
            </Text>
          ))}
        </View>
      )}
      <View style={{ gap: SPACE.s }}>
        <Text kind="heading">Levels</Text>
        <Text kind="small">A table of points with north, east and level, from an instrument or a surveyor.</Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <Button label="Bring in levels" onPress={() => void pickLevels()} testID="levels-in" />
          <Button label="Save levels" kind="bare" onPress={saveLevels} />
        </View>
      </View>
      <View style={{ gap: SPACE.s }}>
        <Text kind="heading">The whole site</Text>
        <Text kind="small">GeoJSON, in metres about the job’s origin, with all that is known of each thing.</Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <Button label="Bring in a site" onPress={() => void pickSite()} testID="site-in" />
          <Button label="Save the site" kind="bare" onPress={saveSite} testID="site-out" />
        </View>
      </View>
      <View style={{ gap: SPACE.s }}>
        <Text kind="heading">Pictures</Text>
        <Text kind="small">
          Made small, and kept without where they were taken. They wait here until the server is in reach.
        </Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <Button label="Take a photo" onPress={() => void pickPicture('photo')} testID="photo-in" />
          <Button label="Lay a plan under" onPress={() => void pickPicture('underlay')} testID="underlay-in" />
        </View>
      </View>
    </Sheet>
  );
}

const COLUMN_LABELS: Record<Column, string> = {
  point: 'Point',
  north: 'North',
  east: 'East',
  level: 'Level',
  code: 'What stands there',
  none: 'Leave out',
};

/** What a table would give, before any of it is in the job. */
function TableSheet({
  table: { name, rows, mapping },
  onTable,
  onIn,
  onClose,
}: {
  table: Table;
  onTable: (table: Table | null) => void;
  onIn: (lines: string[]) => void;
  onClose: () => void;
}) {
  const { edit } = useKept();
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (next: Partial<Mapping>): void => onTable({ name, rows, mapping: { ...mapping, ...next } });
  const fault = mappingFault(mapping);
  const read = fault === null ? readLevels(rows, mapping) : null;
  const putIn = (): void => {
    if (!read) return;
    const refused = edit({ label: `Bring in ${read.levels.length} levels`, puts: read.levels, removes: [] });
    if (refused !== null) setWrong(refused);
    else
      onIn([
        `${read.levels.length} levels are in. Undo takes them all back.`,
        ...read.refused.slice(0, 12).map(({ row, why }) => `Row ${row} ${why}.`),
      ]);
  };
  return (
    <Sheet title={name} over="Levels that would come in" onClose={onClose}>
      <Choice
        label="Its figures are"
        value={mapping.unit}
        options={[
          { value: 'm', label: 'Metres' },
          { value: 'ft', label: 'Feet' },
        ]}
        onChoose={(unit) => set({ unit })}
      />
      {mapping.columns.map((column, k) => (
        <Choice
          key={k}
          label={`Column ${k + 1}: ${rows
            .slice(0, 3)
            .map((row) => row[k] ?? '')
            .join(', ')}`}
          value={column}
          options={COLUMNS.map((value) => ({ value, label: COLUMN_LABELS[value] }))}
          onChoose={(next) => set({ columns: mapping.columns.map((each, at) => (at === k ? next : each)) })}
        />
      ))}
      {fault !== null && (
        <Text tone="stop" role="alert">
          {fault}
        </Text>
      )}
      {read && (
        <View aria-live="polite">
          <Text kind="strong">
            {read.levels.length} levels
            {read.refused.length > 0 ? `, and ${read.refused.length} rows that are none` : ''}
          </Text>
          {read.refused.slice(0, 20).map(({ row, why }) => (
            <Text key={row}>
              Row {row} {why}.
            </Text>
          ))}
          {read.refused.length > 20 && <Text>And {read.refused.length - 20} more.</Text>}
        </View>
      )}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          label="Bring them in"
          kind="main"
          disabled={!read || read.levels.length === 0}
          onPress={putIn}
          testID="levels-put-in"
        />
        <Button label="Another file" kind="bare" onPress={() => onTable(null)} />
      </View>
    </Sheet>
  );
}
