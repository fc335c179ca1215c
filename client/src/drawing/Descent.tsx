/** The descent: a job's lines read downward like water, landings true to level; dragging one up or down re-pitches its line. */
import { METRES_PER_INCH, nameOf, setInvert, showLevel, text } from '@katabasis/core';
import ChevronsUpDown from 'lucide-react-native/icons/chevrons-up-down';
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { flushSync } from 'react-dom';
import { useWindowDimensions, View } from 'react-native';
import { useLatestJob, useJob } from '../planning/useJob';
import { usePalette, useStyles, useTextScale } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { DescentPipes } from './DescentPipes';
import { layOutDescent, onlyThese, type DescentLayout, type DescentRow } from './descentLayout';
import { GRIP, landingHeight, laneX, runHeight, wordsLeft } from './descentMeasures';
import { landingSaid, LandingWords, runSaid, RunWords } from './descentWords';
import { useDrag } from '../ui/useDrag';
import type { DrawGlyph } from './LandingGlyph';

const make = (_palette: Palette) => ({
  words: { position: 'absolute' as const, right: 0 },
  handle: {
    position: 'absolute' as const,
    right: 0,
    width: GRIP,
    height: GRIP,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
  },
  glyph: { position: 'absolute' as const, width: GRIP, height: GRIP },
});

interface Props {
  chosen: string | null;
  onChoose: (id: string) => void;
  /** Draws the mark of an element. */
  draw: DrawGlyph;
  /** Only these landings and the runs between them; all when left out. */
  only?: readonly string[];
}

interface Drag {
  id: string;
  y: number;
  level: number;
  layout: DescentLayout;
}

/** Room between the words of one landing and the mark of the next, px. */
const APART = 10;

/** Lays it out for `width` px. Twice, as the room for words depends on the lanes, and the lanes on who stands beside whom. */
function useLayout(width: number, only: readonly string[] | undefined): DescentLayout {
  // Where things stand may come a frame after what is said of them, and what is tapped is never waited for.
  const open = useDeferredValue(useJob());
  const scale = useTextScale();
  return useMemo(() => {
    const plan = only ? onlyThese(open.plan, only) : open.plan;
    const { lanes } = layOutDescent(plan);
    const room = Math.max(120, width - wordsLeft(lanes));
    return layOutDescent(plan, (landing, run) => {
      const said = landingSaid(open, landing)!;
      const of = run === null ? null : runSaid(open, run);
      const below = of === null || of.missing ? 0 : runHeight(of, room, scale);
      return landingHeight(said, room, scale) + below + APART;
    });
  }, [open, only, width, scale]);
}

/** Scrolls to what is chosen where it is out of sight; `width` as laid out, px. Gives the ref of what it stands in. */
function useChosenInSight(chosen: string | null, width: number): RefObject<HTMLElement | null> {
  const latest = useLatestJob();
  const shown = useRef<HTMLElement | null>(null);
  useEffect(() => {
    if (chosen === null) return;
    const find = (id: string): Element | null | undefined =>
      shown.current?.querySelector(`[data-testid="run-${id}"],[data-testid="landing-${id}"]`);
    const show = (place?: Element | null): void => place?.scrollIntoView?.({ block: 'nearest' });
    const place = find(chosen);
    if (!place) return;
    const stood = place.getBoundingClientRect().top;
    show(place);
    // What stands in sight stays where it is; of what does not, all that it leads between is shown, as far as there is room.
    if (place.getBoundingClientRect().top === stood) return;
    const run = latest().plan.runs[chosen];
    for (const end of run ? [run.to, run.from, chosen] : []) show(find(end));
  }, [chosen, width, latest]);
  return shown;
}

export function Descent({ chosen, onChoose, draw, only }: Props) {
  const { job, units, preview, edit } = useJob();
  const window = useWindowDimensions();
  const [width, setWidth] = useState(Math.min(window.width, 640) - 2 * SPACE.l);
  const [drag, setDrag] = useState<Drag | null>(null);
  const laidOut = useLayout(width, only);
  // While a landing is dragged the others stand still; they settle when it is let go.
  const layout = drag?.layout ?? laidOut;
  const left = wordsLeft(layout.lanes);
  const act = useLatest({
    // In the pointer's own frame: left to its scheduler, React would draw in the next one.
    move: (id: string, dy: number): void =>
      flushSync(() => {
        const row = rowIn(layout, id);
        if (!row) return;
        const step = units === 'us' ? METRES_PER_INCH / 4 : 0.005;
        const level = Math.round((row.level - dy / layout.scale) / step) * step;
        setDrag({ id: row.id, y: row.y + dy, level, layout });
        if (level !== drag?.level) preview(setInvert(job, row.id, level));
      }),
    drop: (id: string, moved: boolean): void => {
      const level = drag?.level;
      setDrag(null);
      preview(null);
      if (!moved || level === undefined) return onChoose(id);
      const change = setInvert(job, id, level);
      if (change) edit(change);
    },
    choose: onChoose,
  });
  const hands = useMemo(
    (): Hands => ({
      onChoose: (id) => act.current.choose(id),
      onMove: (id, dy) => act.current.move(id, dy),
      onDrop: (id, moved) => act.current.drop(id, moved),
    }),
    [act],
  );
  const shown = useChosenInSight(chosen, width);
  return (
    <View
      ref={shown as never}
      style={[OUT_OF_SIGHT, { height: layout.height }]}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      role="list"
      aria-label="The descent, highest first"
    >
      <DescentPipes layout={layout} drag={drag} chosen={chosen} draw={draw} />
      {layout.rows.map((row) => {
        const moved = drag?.id === row.id ? drag : row;
        return (
          <Row
            key={row.id}
            id={row.id}
            run={row.run}
            height={row.height}
            stands={row.y}
            name={nameOf(job, row.id)}
            y={moved.y}
            x={laneX(row.lane, layout.lanes)}
            left={left}
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

const rowIn = ({ rows, rowOf }: DescentLayout, id: string): DescentRow | undefined => rows[rowOf.get(id) ?? -1];

/** The newest of something, for calls that must themselves never change. */
function useLatest<T>(value: T): { readonly current: T } {
  const latest = useRef(value);
  // eslint-disable-next-line react-hooks/refs -- read only by events, which come after the drawing that wrote it
  latest.current = value;
  return latest;
}

interface Hands {
  onChoose: (id: string) => void;
  onMove: (id: string, dy: number) => void;
  onDrop: (id: string, moved: boolean) => void;
}

interface RowProps extends Hands {
  id: string;
  run: string | null;
  height: number;
  name: string;
  /** Where it stands when nobody moves it, and where it is now. */
  stands: number;
  y: number;
  /** Middle of its lane. */
  x: number;
  left: number;
  level: string;
  landingChosen: boolean;
  runChosen: boolean;
}

/** A landing, what is said of it, and of the run that leaves it. */
const Row = memo(function Row({
  id,
  run,
  height,
  name,
  stands,
  y,
  x,
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
  const moved = y === stands ? null : { transform: [{ translateY: y - stands }] };
  return (
    <View role="listitem" aria-label={name}>
      <View style={[styles.words, OF_SET_SIZE, moved, { top: stands - GRIP / 2, left, height }]}>
        <LandingWords id={id} level={level} chosen={landingChosen} onChoose={onChoose} />
        {run !== null && <RunWords id={run} chosen={runChosen} onChoose={onChoose} />}
      </View>
      <View
        aria-hidden
        style={[styles.glyph, { left: x - GRIP / 2, top: y - GRIP / 2 }]}
        {...({ onClick: () => onChoose(id) } as object)}
      />
      <Handle id={id} y={y} name={name} onMove={onMove} onDrop={onDrop} />
    </View>
  );
});

/** Its height is known: out of sight the browser lays out nothing of it, nor looks for a finger in it. */
const OUT_OF_SIGHT = { contentVisibility: 'auto' } as object;

/** Of known size, so that a word changed in it makes the browser lay out nothing around it, and nothing at all out of sight. */
const OF_SET_SIZE = { contain: 'size layout style', contentVisibility: 'auto' } as object;

interface HandleProps extends Omit<Hands, 'onChoose'> {
  id: string;
  y: number;
  name: string;
}

/** What a finger takes hold of: up and down sets the pipe's level at the landing. */
const Handle = memo(function Handle({ id, y, name, onMove, onDrop }: HandleProps) {
  const styles = useStyles(make);
  const { soft } = usePalette();
  const { ref, handlers, held } = useDrag({
    grip: () => id,
    onMove: (taken, _dx, dy) => onMove(taken, dy),
    onDrop,
    afterHold: true,
  });
  return (
    <View
      ref={ref as never}
      {...(handlers as object)}
      testID={`handle-${id}`}
      aria-hidden
      style={[
        styles.handle,
        { top: y - GRIP / 2 },
        { touchAction: 'pan-y', cursor: 'ns-resize', userSelect: 'none', WebkitTouchCallout: 'none' } as object,
      ]}
      aria-label={`Level at ${name}`}
    >
      <ChevronsUpDown size={held ? 30 : 22} color={soft} strokeWidth={held ? 3 : 2} />
    </View>
  );
});
