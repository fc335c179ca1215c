/** What to buy and what to move: everything counted from the plan, by part or by place, each with how it came. */
import {
  amountOf,
  cautionsOf,
  nameOf,
  PART_GROUP_LABELS,
  PART_GROUPS,
  partLabel,
  partsTable,
  type Part,
  type TakeOff,
} from '@katabasis/core';
import Download from 'lucide-react-native/icons/download';
import { useState, type ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { saveTable } from '../../files/tables';
import { useJob } from '../../planning/useJob';
import { useStyles, useWide } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { PartRow } from './PartRow';
import { usePlanBeside } from './beside/pointed';

const make = (palette: Palette) => ({
  columns: { flexDirection: 'row' as const, gap: 48, alignItems: 'flex-start' as const },
  column: { flex: 1, minWidth: 0, maxWidth: 640, gap: SPACE.l },
  place: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: SPACE.xs },
  head: { minHeight: TOUCH, justifyContent: 'center' as const },
  line: { flexDirection: 'row' as const, justifyContent: 'space-between' as const, gap: SPACE.m },
});

interface Props {
  taken: TakeOff;
  by: 'part' | 'place';
  onGo: (id: string) => void;
}

export function PartsSheet({ taken, by, onGo }: Props) {
  const { job, plan } = useJob();
  const { parts } = taken;
  const save = (): void => saveTable(job, 'parts', partsTable(job, parts));
  return (
    <>
      {by === 'part' ? <ByPart parts={parts} onGo={onGo} /> : <ByPlace parts={parts} onGo={onGo} />}
      <View style={{ gap: SPACE.s }}>
        <Text kind="heading">Before you dig</Text>
        {cautionsOf(job, plan, taken).map((said) => (
          <Text key={said}>{said}</Text>
        ))}
      </View>
      <View style={{ flexDirection: 'row' }}>
        <Button label="Save as a table" icon={Download} onPress={save} testID="save-parts" />
      </View>
    </>
  );
}

interface ListProps {
  parts: readonly Part[];
  onGo: (id: string) => void;
}

/** Part by part, in groups; one open at a time. */
function ByPart({ parts, onGo }: ListProps) {
  const [open, setOpen] = useState<string | null>(null);
  const groups = PART_GROUPS.flatMap((group): Block[] => {
    const own = parts.filter((part) => part.group === group);
    if (own.length === 0) return [];
    const drawn = (
      <View key={group}>
        <Text kind="heading">{PART_GROUP_LABELS[group]}</Text>
        {own.map((part) => (
          <PartRow
            key={part.key}
            part={part}
            open={open === part.key}
            onToggle={() => setOpen((now) => (now === part.key ? null : part.key))}
            onGo={onGo}
          />
        ))}
      </View>
    );
    return [{ rows: own.length + 1, drawn }];
  });
  return <Columns blocks={groups} />;
}

/** Place by place, in the job's own order. */
function ByPlace({ parts, onGo }: ListProps) {
  const { job } = useJob();
  const byPlace = placesIn(parts);
  const places = job.elements.all.flatMap(({ id }): Block[] => {
    const own = byPlace.get(id);
    return own ? [{ rows: own.length + 1, drawn: <PlaceParts key={id} id={id} own={own} onGo={onGo} /> }] : [];
  });
  return <Columns blocks={places} />;
}

interface Block {
  rows: number;
  drawn: ReactNode;
}

/** Two columns and the plan beside them stand on a screen no narrower, px. */
const BOTH = 1600;

/** Blocks in their order: one column on a phone, two of about one length on a wide screen that has room for them. */
function Columns({ blocks }: { blocks: readonly Block[] }) {
  const styles = useStyles(make);
  const { width } = useWindowDimensions();
  const [wide, beside] = [useWide(), usePlanBeside()];
  const columns = wide && (!beside || width >= BOTH) ? 2 : 1;
  const whole = blocks.reduce((sum, { rows }) => sum + rows, 0);
  const made: ReactNode[][] = Array.from({ length: columns }, () => []);
  let gone = 0;
  for (const { rows, drawn } of blocks) {
    made[Math.min(columns - 1, Math.floor(((gone + rows / 2) / whole) * columns))]!.push(drawn);
    gone += rows;
  }
  return (
    <View style={styles.columns}>
      {made.map((column, k) => (
        <View key={k} style={styles.column}>
          {column}
        </View>
      ))}
    </View>
  );
}

interface PartThere {
  part: Part;
  quantity: number;
}

function placesIn(parts: readonly Part[]): ReadonlyMap<string, PartThere[]> {
  const byPlace = new Map<string, PartThere[]>();
  for (const part of parts)
    for (const { id, quantity } of part.uses) byPlace.set(id, [...(byPlace.get(id) ?? []), { part, quantity }]);
  return byPlace;
}

/** What one place takes. */
function PlaceParts({ id, own, onGo }: { id: string; own: readonly PartThere[]; onGo: (id: string) => void }) {
  const styles = useStyles(make);
  const { job, units } = useJob();
  return (
    <View style={styles.place}>
      <Press role="link" aria-label={`Go to ${nameOf(job, id)}`} onPress={() => onGo(id)} style={styles.head}>
        <Text kind="strong">{nameOf(job, id)}</Text>
      </Press>
      {own.map(({ part, quantity }, k) => {
        const { value, unit } = amountOf(quantity, part.unit, units);
        return (
          <View key={`${part.key} ${k}`} style={styles.line}>
            <View style={{ flex: 1 }}>
              <Text>{partLabel(part.item, units)}</Text>
            </View>
            <Text>
              {value}
              {unit === '' ? '' : ` ${unit}`}
            </Text>
          </View>
        );
      })}
    </View>
  );
}
