/** What to buy and what to move: everything counted from the plan, by part or by place, each with how it came. */
import {
  amountOf,
  cautionsOf,
  missingWords,
  nameOf,
  PART_GROUP_LABELS,
  PART_GROUPS,
  partLabel,
  partsTable,
  takeOff,
  type Part,
} from '@katabasis/core';
import Download from 'lucide-react-native/icons/download';
import Papa from 'papaparse';
import { useMemo, useState, type ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { saveFile, slug } from '../../data/files';
import { useKept } from '../../data/useJob';
import { ElementSheet } from '../../elements/ElementSheet';
import { useStyles, useWide } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { useAt } from '../useAt';
import { useGo } from '../useGo';
import { DigSheet } from './DigSheet';
import { PaperSheet } from './PaperSheet';
import { PartRow } from './PartRow';
import { PriceSheet } from './PriceSheet';

const make = (palette: Palette) => ({
  body: { padding: SPACE.l, gap: SPACE.l, width: '100%' as const },
  columns: { flexDirection: 'row' as const, gap: 48, alignItems: 'flex-start' as const },
  column: { flex: 1, minWidth: 0, maxWidth: 640, gap: SPACE.l },
  place: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: SPACE.xs },
  head: { minHeight: TOUCH, justifyContent: 'center' as const },
  line: { flexDirection: 'row' as const, justifyContent: 'space-between' as const, gap: SPACE.m },
  told: { flexDirection: 'row' as const, gap: SPACE.m, alignItems: 'flex-start' as const },
});

/** How it is looked at, but for the list of parts: in the address, so that a reload comes back to it. */
const VIEWS = ['place', 'price', 'dig', 'paper'] as const;

const TITLES = {
  part: 'Parts and earth',
  place: 'Parts and earth',
  price: 'Price',
  dig: 'Dig sheet',
  paper: 'On paper and in files',
};

export function BuildScreen() {
  const styles = useStyles(make);
  const wide = useWide();
  const { job, plan } = useKept();
  const go = useGo();
  const at = useAt();
  const by = VIEWS.find((view) => at === `~${view}`) ?? 'part';
  const taken = useMemo(() => takeOff(job, plan), [job, plan]);
  if (at !== null && !at.startsWith('~'))
    return <ElementSheet id={at} onClose={() => go('build', null)} onGo={(id) => go('build', id)} />;
  const { parts, missing } = taken;
  const save = (): void =>
    saveFile(
      `${slug(nameOf(job, 'job'))}-parts.csv`,
      Papa.unparse(partsTable(job, parts), { escapeFormulae: true }),
      'text/csv',
    );
  const goTo = (id: string): void => go('build', id);
  return (
    <ScrollView contentContainerStyle={[styles.body, { maxWidth: wide ? 1400 : 700 }]} testID="build">
      <Text kind="title">{TITLES[by]}</Text>
      {parts.length > 0 && (
        <Choice
          label="Show"
          value={by}
          options={[
            { value: 'part', label: 'Parts' },
            { value: 'place', label: 'By place' },
            { value: 'price', label: 'Price' },
            { value: 'dig', label: 'Dig sheet' },
            { value: 'paper', label: 'Paper' },
          ]}
          onChoose={(view) => go('build', view === 'part' ? null : `~${view}`)}
        />
      )}
      {parts.length > 0 && plan.verdict.state === 'stop' && (
        <View style={styles.told}>
          <Mark kind="stop" />
          <View style={{ flex: 1 }}>
            <Text>The plan has a Stop: put that right before anything is bought, offered or dug.</Text>
          </View>
        </View>
      )}
      {missing.map((each) => (
        <View key={`${each.id} ${each.why}`} style={styles.told}>
          <Mark kind="fix" />
          <View style={{ flex: 1 }}>
            <Text>{missingWords(job, each)}</Text>
          </View>
        </View>
      ))}
      {by === 'paper' && parts.length > 0 ? (
        <PaperSheet />
      ) : by === 'dig' && parts.length > 0 ? (
        <DigSheet />
      ) : by === 'price' && parts.length > 0 ? (
        <PriceSheet taken={taken} />
      ) : parts.length === 0 ? (
        <Text>Nothing is laid yet. Lead a downspout or a basin to a way out, and what it takes is counted here.</Text>
      ) : (
        <>
          {by === 'part' ? <ByPart parts={parts} onGo={goTo} /> : <ByPlace parts={parts} onGo={goTo} />}
          <View style={{ gap: SPACE.s }}>
            <Text kind="heading">Before you dig</Text>
            {cautionsOf(job, taken).map((said) => (
              <Text key={said}>{said}</Text>
            ))}
          </View>
          <View style={{ flexDirection: 'row' }}>
            <Button label="Save as a table" icon={Download} onPress={save} testID="save-parts" />
          </View>
        </>
      )}
    </ScrollView>
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
  const { job } = useKept();
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

/** Blocks in their order: one column on a phone, two of about one length on a wide screen. */
function Columns({ blocks }: { blocks: readonly Block[] }) {
  const styles = useStyles(make);
  const columns = useWide() ? 2 : 1;
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
  const { job, units } = useKept();
  return (
    <View style={styles.place}>
      <Pressable role="link" aria-label={`Go to ${nameOf(job, id)}`} onPress={() => onGo(id)} style={styles.head}>
        <Text kind="strong">{nameOf(job, id)}</Text>
      </Pressable>
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
