/** The descent: a job's lines read downward like water, landings true to level; dragging one up or down re-pitches its line. */
import { setInvert, METRES_PER_INCH, nameOf, showLevel, text } from '@katabasis/core';
import { memo, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { View } from 'react-native';
import { useKept } from '../data/useJob';
import { useStyles } from '../theme/theme';
import { type Palette } from '../theme/tokens';
import { Text } from '../ui/Text';
import { DescentPipes, GUTTER, laneX } from './DescentPipes';
import { LAST_ROW, layOutDescent, ROW, type DescentLayout, type DescentRow } from './descentLayout';
import { LandingWords, RunWords } from './descentWords';
import { useDrag } from '../input/useDrag';
import type { DrawGlyph } from './LandingGlyph';

const make = (_palette: Palette) => ({
  words: { position: 'absolute' as const, right: 0 },
  level: {
    position: 'absolute' as const,
    left: 0,
    width: GUTTER - 7,
    height: 22,
    fontSize: 15,
    textAlign: 'right' as const,
    ...({ contain: 'size layout style' } as object),
  },
  handle: { position: 'absolute' as const, width: 44, height: 44 },
});

interface Props {
  chosen: string | null;
  onChoose: (id: string) => void;
  /** Draws the mark of an element. */
  draw: DrawGlyph;
}

interface Drag {
  id: string;
  y: number;
  level: number;
  layout: DescentLayout;
}

export function Descent({ chosen, onChoose, draw }: Props) {
  const { job, plan, units, preview, edit } = useKept();
  const [drag, setDrag] = useState<Drag | null>(null);
  // While a landing is dragged the others stand still; they settle when it is let go.
  const layout = useMemo(() => drag?.layout ?? layOutDescent(plan), [drag?.layout, plan]);
  const wordsLeft = laneX(layout.lanes - 1) + 24;
  const act = useLatest({
    // In the pointer's own frame: left to its scheduler, React would draw in the next one.
    move: (row: DescentRow, dy: number): void =>
      flushSync(() => {
        const step = units === 'us' ? METRES_PER_INCH / 4 : 0.005;
        const level = Math.round((row.level - dy / layout.scale) / step) * step;
        setDrag({ id: row.id, y: row.y + dy, level, layout });
        if (level !== drag?.level) preview(setInvert(job, row.id, level));
      }),
    drop: (row: DescentRow, moved: boolean): void => {
      const level = drag?.level;
      setDrag(null);
      preview(null);
      if (!moved || level === undefined) return onChoose(row.id);
      const change = setInvert(job, row.id, level);
      if (change) edit(change);
    },
    choose: onChoose,
  });
  const hands = useMemo(
    (): Hands => ({
      onChoose: (id) => act.current.choose(id),
      onMove: (row, dy) => act.current.move(row, dy),
      onDrop: (row, moved) => act.current.drop(row, moved),
    }),
    [act],
  );
  return (
    <View style={{ height: layout.height }} role="list" aria-label="The descent, highest first">
      <DescentPipes layout={layout} drag={drag} chosen={chosen} draw={draw} />
      {layout.rows.map((row) => {
        const moved = drag?.id === row.id ? drag : row;
        return (
          <Row
            key={row.id}
            row={row}
            name={nameOf(job, row.id)}
            y={moved.y}
            left={wordsLeft}
            level={text(showLevel(moved.level, units))}
            landingChosen={chosen === row.id}
            runChosen={chosen !== null && chosen === row.run}
            {...hands}
          />
        );
      })}
    </View>
  );
}

/** The newest of something, for calls that must themselves never change. */
function useLatest<T>(value: T): { readonly current: T } {
  const latest = useRef(value);
  // eslint-disable-next-line react-hooks/refs -- read only by events, which come after the drawing that wrote it
  latest.current = value;
  return latest;
}

interface Hands {
  onChoose: (id: string) => void;
  onMove: (row: DescentRow, dy: number) => void;
  onDrop: (row: DescentRow, moved: boolean) => void;
}

interface RowProps extends Hands {
  row: DescentRow;
  name: string;
  y: number;
  left: number;
  level: string;
  landingChosen: boolean;
  runChosen: boolean;
}

/** A landing, what is said of it, and of the run that leaves it. */
const Row = memo(function Row({
  row,
  name,
  y,
  left,
  level,
  landingChosen,
  runChosen,
  onChoose,
  onMove,
  onDrop,
}: RowProps) {
  const styles = useStyles(make);
  // Moved, not laid out anew.
  const moved = y === row.y ? null : { transform: [{ translateY: y - row.y }] };
  return (
    <View role="listitem" aria-label={name}>
      <Text kind="strong" numberOfLines={1} style={[styles.level, { top: row.y - 11 }, moved]}>
        {level}
      </Text>
      <View style={[styles.words, APART, moved, { top: row.y - 22, left, height: row.run === null ? LAST_ROW : ROW }]}>
        <LandingWords id={row.id} chosen={landingChosen} onChoose={onChoose} />
        {row.run !== null && <RunWords id={row.run} chosen={runChosen} onChoose={onChoose} />}
      </View>
      <Handle row={row} x={laneX(row.lane)} y={y} name={name} onMove={onMove} onDrop={onDrop} />
    </View>
  );
});

/** Of known size, so that a word changed in it makes the browser lay out nothing around it, and nothing at all out of sight. */
const APART = { contain: 'size layout style', contentVisibility: 'auto' } as object;

interface HandleProps extends Omit<Hands, 'onChoose'> {
  row: DescentRow;
  x: number;
  y: number;
  name: string;
}

/** What a finger takes hold of: up and down sets the pipe's level at the landing. */
const Handle = memo(function Handle({ row, x, y, name, onMove, onDrop }: HandleProps) {
  const styles = useStyles(make);
  const handlers = useDrag({ grip: () => row, onMove: (taken, _dx, dy) => onMove(taken, dy), onDrop });
  return (
    <View
      {...(handlers as object)}
      testID={`handle-${row.id}`}
      aria-hidden
      style={[
        styles.handle,
        { left: x - 22, top: y - 22 },
        { touchAction: 'none', cursor: 'ns-resize', userSelect: 'none' } as object,
      ]}
      aria-label={`Level at ${name}`}
    />
  );
});
