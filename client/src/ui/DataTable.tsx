/** A table that is put in order by any of its columns: rows and columns on a wide screen, a block a row on a phone. */
import {
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useMemo, type ReactNode } from 'react';
import { View } from 'react-native';
import { usePalette, useStyles, useWide } from '../theme/theme';
import { SPACE, TOUCH, type Palette } from '../theme/tokens';
import { Choice } from './Choice';
import { Press } from './Press';
import { Text } from './Text';

const make = (palette: Palette) => ({
  row: { flexDirection: 'row' as const, borderTopWidth: 1, borderTopColor: palette.line },
  cell: { flex: 1, minWidth: 0, minHeight: TOUCH, padding: SPACE.xs, justifyContent: 'center' as const },
  wide: { flex: 2 },
  title: { flexShrink: 1, textAlign: 'left' as const },
  right: { textAlign: 'right' as const },
  head: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: 2 },
  block: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: SPACE.xs },
  name: { minHeight: TOUCH, justifyContent: 'center' as const },
  pairs: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, columnGap: SPACE.l, rowGap: SPACE.xs },
});

interface Column {
  title: string;
  right?: true;
  wide?: true;
}

interface Props {
  label: string;
  columns: readonly Column[];
  rows: readonly (readonly string[])[];
  /** What cells come to as numbers, row by row; rows past the last of them stay at the foot. */
  measures?: readonly (readonly (number | null)[])[];
  /** What is gone to by a row's name. */
  ids?: readonly string[];
  onGo?: (id: string) => void;
  /** The column that it is put in order by; null as the rows come. */
  by: Order | null;
  onBy: (by: Order | null) => void;
}

export interface Order {
  at: number;
  desc: boolean;
}

interface Line {
  cells: readonly string[];
  measures: readonly (number | null)[];
  id: string | undefined;
}

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });
const words = new Intl.Collator('en', { numeric: true });

type Worth = number | string;

/** By what it measures; words as words, with the numbers in them as numbers. */
const compared = (a: Worth, b: Worth): number =>
  typeof a === 'number' && typeof b === 'number' ? a - b : words.compare(String(a), String(b));

export function DataTable({ label, columns, rows, measures, ids, onGo, by, onBy }: Props) {
  const wide = useWide();
  const sorting = useMemo<SortingState>(() => (by ? [{ id: String(by.at), desc: by.desc }] : []), [by]);
  const { lines, foot } = useMemo(() => {
    const all = rows.map((cells, k): Line => ({ cells, measures: measures?.[k] ?? [], id: ids?.[k] }));
    const count = measures?.length ?? rows.length;
    return { lines: all.slice(0, count), foot: all.slice(count) };
  }, [rows, measures, ids]);
  const defined = useMemo(
    () =>
      columns.map((_, at): ColumnDef<typeof features, Line> => {
        const isMeasured = lines.some(({ measures }) => typeof measures[at] === 'number');
        return {
          id: String(at),
          // Of a column that measures, what measures nothing stands last, whichever way round.
          accessorFn: ({ cells, measures }) => (isMeasured ? (measures[at] ?? undefined) : cells[at]),
          sortFn: (a, b, id) => compared(a.getValue<Worth>(id), b.getValue<Worth>(id)),
          sortUndefined: 'last',
        };
      }),
    [columns, lines],
  );
  const table = useTable({
    features,
    data: lines as Line[],
    columns: defined,
    state: { sorting },
    onSortingChange: (next) => {
      const [first] = typeof next === 'function' ? next(sorting) : next;
      onBy(first ? { at: Number(first.id), desc: first.desc } : null);
    },
    enableMultiSort: false,
    sortDescFirst: false,
  });
  const sorted = [...table.getRowModel().rows.map(({ original }) => original), ...foot];
  const Drawn = wide ? Grid : Blocks;
  return (
    <Drawn
      label={label}
      columns={columns}
      lines={sorted}
      by={by}
      onSort={(at) => table.getColumn(String(at))!.toggleSorting()}
      onGo={onGo}
    />
  );
}

interface DrawnProps {
  label: string;
  columns: readonly Column[];
  lines: readonly Line[];
  by: Order | null;
  onSort: (at: number) => void;
  onGo: ((id: string) => void) | undefined;
}

/** The column that a row is known by. */
const nameAt = (columns: readonly Column[]): number =>
  Math.max(
    0,
    columns.findIndex(({ wide }) => wide),
  );

function Named({ line, onGo, children }: { line: Line; onGo: DrawnProps['onGo']; children: ReactNode }) {
  const styles = useStyles(make);
  const { id } = line;
  if (id === undefined || !onGo) return <View style={styles.name}>{children}</View>;
  return (
    <Press role="link" onPress={() => onGo(id)} style={styles.name}>
      {children}
    </Press>
  );
}

function Grid({ label, columns, lines, by, onSort, onGo }: DrawnProps) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  const named = nameAt(columns);
  const Arrow = by?.desc ? ChevronDown : ChevronUp;
  return (
    <View role="table" aria-label={label}>
      <View role="row" style={{ flexDirection: 'row' }}>
        {columns.map(({ title, right, wide }, at) => (
          <View
            key={title}
            role="columnheader"
            style={[styles.cell, wide && styles.wide]}
            {...({ 'aria-sort': by?.at !== at ? 'none' : by.desc ? 'descending' : 'ascending' } as object)}
          >
            <Press
              role="button"
              aria-label={`Put in order by ${title}`}
              onPress={() => onSort(at)}
              style={[styles.name, styles.head, { justifyContent: right ? 'flex-end' : 'flex-start' }]}
            >
              <Text kind="strong" style={[styles.title, right && styles.right]}>
                {title}
              </Text>
              {by?.at === at && <Arrow size={18} color={ink} />}
            </Press>
          </View>
        ))}
      </View>
      {lines.map((line, k) => (
        <View key={line.id ?? k} role="row" style={styles.row}>
          {columns.map(({ title, right, wide }, at) => (
            <View key={title} role="cell" style={[styles.cell, wide && styles.wide]}>
              {at === named ? (
                <Named line={line} onGo={onGo}>
                  <Text kind="strong">{line.cells[at]}</Text>
                </Named>
              ) : (
                <Text style={right && styles.right}>{line.cells[at]}</Text>
              )}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

function Blocks({ label, columns, lines, by, onSort, onGo }: DrawnProps) {
  const styles = useStyles(make);
  const named = nameAt(columns);
  return (
    <View style={{ gap: SPACE.m }}>
      <Choice
        label="In order of"
        strip
        value={by === null ? '' : String(by.at)}
        options={columns.map(({ title }, at) => ({
          value: String(at),
          label: by?.at === at ? `${title}, ${by.desc ? 'most first' : 'least first'}` : title,
        }))}
        onChoose={(at) => onSort(Number(at))}
      />
      <View role="list" aria-label={label}>
        {lines.map((line, k) => (
          <View key={line.id ?? k} role="listitem" style={styles.block}>
            <Named line={line} onGo={onGo}>
              <Text kind="strong">{line.cells[named]}</Text>
            </Named>
            <View style={styles.pairs}>
              {columns.map(({ title }, at) =>
                at === named || line.cells[at] === '' ? null : (
                  <View key={title}>
                    <Text kind="small">{title}</Text>
                    <Text>{line.cells[at]}</Text>
                  </View>
                ),
              )}
            </View>
          </View>
        ))}
      </View>
    </View>
  );
}
