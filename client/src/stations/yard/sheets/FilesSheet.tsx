/** Levels, the site, plans and photos: in and out. */
import {
  freeName,
  freshId,
  guessMapping,
  levelsTable,
  nameOf,
  ofKind,
  placedLevels,
  readGeoJson,
  toGeoJson,
  type Job,
  type Photo,
  type Place,
  type Underlay,
} from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { pickFile, saveFile, slug } from '../../../files/files';
import { readTable, readText, saveTable, tooLarge } from '../../../files/tables';
import { keepPicture, type KeptPicture } from '../../../files/pictures';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';
import { TableSheet, type Table } from './TableSheet';

interface Props {
  /** Middle of what is in sight: new pictures come there. */
  middle: Place;
  onClose: () => void;
  onGo: (id: string) => void;
}

/** A picture as a thing of the job, in the middle of what is in sight. */
function pictured(job: Job, kept: KeptPicture, as: 'photo' | 'underlay', middle: Place): Photo | Underlay {
  const id = freshId(as === 'photo' ? 'photo' : 'sheet');
  if (as === 'photo') return { id, kind: 'photo', name: freeName(job, 'Photo'), file: kept.hash, place: middle };
  const end = (across: number, by: number): Underlay['a'] => ({
    spot: { across, down: 0.5 },
    place: { east: middle.east + by, north: middle.north },
  });
  const { hash: file, ratio } = kept;
  return { id, kind: 'underlay', name: freeName(job, 'Underlay'), file, ratio, a: end(0, -HALF), b: end(1, HALF) };
}

/** Bytes; a million levels are fewer. */
const MOST = 20e6;

/** Half of how wide a picture lies at first, m. */
const HALF = 15;

/** What is brought in, and what was said of it. */
function useBringIn({ middle, onGo }: Pick<Props, 'middle' | 'onGo'>) {
  const { job, edit, units } = useJob();
  const [table, setTable] = useState<Table | null>(null);
  const [said, setSaid] = useState<{ wrong: boolean; lines: string[] } | null>(null);
  const wrong = (...lines: string[]): void => setSaid({ wrong: true, lines });
  const pick = async (accept: string): Promise<File | null> => {
    setSaid(null);
    const file = await pickFile(accept);
    const large = file && !accept.startsWith('image') ? tooLarge(file, MOST) : null;
    if (large !== null) wrong(large);
    return large === null ? file : null;
  };
  const pickLevels = async (): Promise<void> => {
    const file = await pick('.csv,.txt,text/csv,text/plain');
    if (!file) return;
    const rows = await readTable(file);
    if (rows.length === 0) return wrong(`${file.name} holds nothing.`);
    setTable({ name: file.name, rows, mapping: guessMapping(rows, units === 'us' ? 'ft' : 'm') });
  };
  const pickSite = async (): Promise<void> => {
    const file = await pick('.geojson,.json,application/geo+json');
    if (!file) return;
    let raw: unknown;
    try {
      raw = JSON.parse(await readText(file));
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
    const element = pictured(job, kept, as, middle);
    const label = as === 'photo' ? 'Keep a photo' : 'Lay a picture under';
    const refused = edit({ label, puts: [element], removes: [] });
    if (refused !== null) wrong(refused);
    else onGo(element.id);
  };
  return { table, setTable, said, setSaid, pickLevels, pickSite, pickPicture };
}

export function FilesSheet({ middle, onClose, onGo }: Props) {
  const { job } = useJob();
  const { table, setTable, said, setSaid, pickLevels, pickSite, pickPicture } = useBringIn({ middle, onGo });
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
