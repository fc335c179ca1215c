/** The yard: the ground plan, and all that is put down, measured and drawn on it. */
import {
  distance,
  freeName,
  freshId,
  headOf,
  kindOf,
  moveWhole,
  markWords,
  middleOf,
  put,
  putDown,
  showLength,
  text,
  type Change,
  type Place,
} from '@katabasis/core';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useJob, useKept } from '../../planning/useJob';
import { useYard } from '../../planning/useYard';
import { GroundPlan, type PlanHandle } from '../../drawing/yard/GroundPlan';
import type { Draft } from '../../drawing/yard/OverPlan';
import { gripOf } from '../../drawing/yard/grip';
import { sceneOf, type Thing } from '../../drawing/yard/scene';
import type { Snapped } from '../../drawing/yard/snap';
import type { Viewport } from '../../drawing/yard/viewport';
import { drawOnPlan } from '../../elements';
import { ElementSheet } from '../../elements/ElementSheet';
import { useShort, useStyles, useWide } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Text } from '../../ui/Text';
import { useAt } from '../useAt';
import { useGo } from '../useGo';
import { useKeys } from '../useKeys';
import { AddOnPlan } from './AddOnPlan';
import { FieldPipes } from './FieldPipes';
import { FilesSheet } from './FilesSheet';
import { NOTHING_BEGUN, useBegun, usePaced, type Begun, type Tapes } from './doing';
import { drawLine, lineStart } from './drawLine';
import { groundOnPlan } from './ground';
import { LevelsSheet } from './LevelsSheet';
import { PaceSheet } from './PaceSheet';
import { bare, grounded, handlesOf, movedBy, withPlace } from './placing';
import { RoofSheet } from './RoofSheet';
import { ScaleSheet } from './ScaleSheet';
import { SectionSheet } from './SectionSheet';
import { SaysSheet } from './SaysSheet';
import { LEAST, toolOf, type Tool } from './tools';
import { Underlays } from './Underlays';
import { TapeSheet } from './TapeSheet';
import { WaysOutSheet } from './WaysOutSheet';
import { Banner, EmptyYard, GroundUnderWay, PlanButtons, Tools } from './YardTools';

const make = (palette: Palette) => ({
  columns: { flex: 1, flexDirection: 'row' as const },
  stacked: { flex: 1 },
  plan: { flex: 1, minHeight: 0 },
  side: { flex: 1, maxWidth: 620, borderLeftWidth: 1, borderLeftColor: palette.line },
});

/** What is said and shown of what a finger does; of one address. */
interface Shown {
  of: string | null;
  wrong: string | null;
  route: readonly Place[] | null;
  /** A place that is pointed at. */
  mark: Place | null;
}

const FIRST_SHOWN: Shown = { of: null, wrong: null, route: null, mark: null };

/** A yard that nobody has put anything in: where the first things will come. */
const EMPTY: readonly Place[] = [
  { east: -12, north: -12 },
  { east: 12, north: 12 },
];

export function YardScreen() {
  const styles = useStyles(make);
  const wide = useWide();
  const short = useShort();
  const go = useGo();
  const at = useAt();
  const { job: kept, edit, units } = useKept();
  const { job, plan, preview } = useJob();
  const choose = useCallback((id: string | null): void => go('yard', id), [go]);
  const close = useCallback((): void => choose(null), [choose]);
  const tool = useMemo(() => toolOf(kept, at), [kept, at]);
  const [pace, setPace] = usePaced(kept.id);
  const [begun, setBegun] = useBegun(kept.id, at);
  const { places, from, pending, tapes } = begun;
  const step = useCallback((next: Partial<Begun>): void => setBegun((now) => ({ ...now, ...next })), [setBegun]);
  const [lastShown, setShown] = useState<Shown>(FIRST_SHOWN);
  const { wrong, route, mark } = lastShown.of === at ? lastShown : FIRST_SHOWN;
  const show = useCallback(
    (next: Partial<Shown>): void => setShown((now) => ({ ...(now.of === at ? now : FIRST_SHOWN), ...next, of: at })),
    [at],
  );
  const [turn, setTurn] = useState(0);
  const handle = useRef<PlanHandle>(null);
  const chosen = tool.type === 'look' ? tool.chosen : null;
  const things = useMemo(() => sceneOf(job), [job]);
  const yard = useYard(job, 'picture', chosen);
  const ground = useMemo(() => (yard.answer ? groundOnPlan(job, yard.answer) : null), [job, yard.answer]);
  const wordsOf = useCallback((thing: Thing) => markWords(job, plan, thing.element), [job, plan]);
  const extent = useMemo(() => {
    const all = things.flatMap((thing) => [...thing.places]);
    return all.length > 0 ? all : EMPTY;
  }, [things]);
  const chosenThing = chosen === null ? undefined : things.find(({ id }) => id === chosen);
  const handles = useMemo(() => handlesOf(chosenThing), [chosenThing]);
  const grip = useMemo(() => gripOf(chosenThing), [chosenThing]);
  useEffect(() => {
    if (chosenThing?.places[0] && !wide) handle.current?.show(middleOf(chosenThing.places));
    // Only when something else is chosen: a thing that is moved stays under the finger.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen, wide]);
  useKeys({ l: () => choose('~line') });

  const made = (change: Change, next: string | null): void => {
    const refused = edit(change);
    if (refused !== null) return show({ wrong: refused });
    setBegun(() => NOTHING_BEGUN);
    choose(next);
  };
  const putIn = (shape: readonly Place[]): void => {
    if (tool.type === 'putOld') {
      const next = putDown(tool.element, shape);
      return made(
        put(`Put ${kindOf(tool.element.kind).label.toLowerCase()} on the plan`, grounded(next)),
        tool.element.id,
      );
    }
    if (tool.type !== 'putNew') return;
    const { creation } = tool;
    const id = freshId(kindOf(creation.kind).idStem);
    const built = creation.build({ id, name: freeName(kept, creation.stem), groundLevel: 0 });
    made(put(`Put in ${kindOf(creation.kind).label.toLowerCase()}`, grounded(putDown(bare(built), shape))), id);
  };
  const onPut = (snapped: Snapped): void => {
    show({ wrong: null });
    if (tool.type === 'levels') return step({ pending: snapped });
    if (tool.type === 'pace') return setPace((now) => ({ ...now, start: snapped.place }));
    if (tool.type === 'section') return step({ places: withPlace(places, snapped.place) });
    if (tool.type === 'line') {
      const drawn = drawLine(kept, places, from, snapped);
      if (drawn.type === 'wrong') return show({ wrong: drawn.sentence });
      if (drawn.type === 'on') return step({ places: withPlace(places, snapped.place), from: drawn.from });
      return made(drawn.change, drawn.id);
    }
    if (tool.type === 'scale') {
      if (!tapes?.b) step({ tapes: tapes?.a ? { ...tapes, b: snapped.place } : { a: snapped.place, b: null } });
      return;
    }
    if (tool.type !== 'putNew' && tool.type !== 'putOld') return;
    if (tapes)
      return tapes.a && tapes.b
        ? undefined
        : step({ tapes: tapes.a ? { ...tapes, b: snapped.place } : { a: snapped.place, b: null } });
    if (tool.shape === 'place') putIn([snapped.place]);
    else step({ places: withPlace(places, snapped.place) });
  };
  const onHandle = (corner: number, place: Place, done: boolean): void => {
    const element = chosen === null ? undefined : kept.elements.get(chosen);
    if (!element) return;
    const change = put(`Move ${markWords(kept, plan, element).name}`, movedBy(element, corner, place));
    if (!done) return preview(change);
    preview(null);
    edit(change);
  };
  const onLetGo = useCallback((): void => preview(null), [preview]);
  const onGrip = (by: Place, done: boolean): void => {
    const change = chosen === null ? null : moveWhole(kept, chosen, by);
    preview(done ? null : change);
    if (done && change) edit(change);
  };
  const putting =
    tool.type === 'putNew' ||
    tool.type === 'putOld' ||
    tool.type === 'line' ||
    tool.type === 'section' ||
    tool.type === 'levels' ||
    tool.type === 'scale' ||
    (tool.type === 'pace' && !pace.start);
  const lengthWords = (a: Place, b: Place): string => text(showLength(distance(a, b), units));
  const shownDraft: Draft | null =
    tool.type === 'pace' && pace.start
      ? {
          places: pace.places,
          closed: false,
          wordsOf: lengthWords,
        }
      : places.length > 0
        ? {
            places,
            mark,
            closed: (tool.type === 'putNew' || tool.type === 'putOld') && tool.shape === 'outline',
            // A section's sheet says its length.
            ...(tool.type === 'section' ? {} : { wordsOf: lengthWords }),
          }
        : tool.type === 'levels' && pending
          ? { places: [pending.place], closed: false }
          : tapes?.a && !mark
            ? { places: tapes.b ? [tapes.a, tapes.b] : [tapes.a], closed: false }
            : mark
              ? { places: [mark], closed: false }
              : null;
  const underlay = useCallback(
    (view: Viewport) => (
      <>
        <Underlays job={job} view={view} />
        <FieldPipes works={plan.works} view={view} />
      </>
    ),
    [job, plan.works],
  );
  const onMark = useCallback((place: Place | null) => show({ mark: place }), [show]);
  const onRoute = useCallback((way: readonly Place[] | null) => show({ route: way }), [show]);
  const shownGround = useMemo(() => (ground && route ? { ...ground, ways: [route] } : ground), [ground, route]);
  const picture = (
    <View style={styles.plan}>
      <GroundPlan
        plan={handle}
        things={things}
        ground={shownGround}
        wordsOf={wordsOf}
        draw={drawOnPlan}
        chosen={chosen}
        us={units === 'us'}
        doing={putting ? 'put' : 'look'}
        draft={shownDraft}
        handles={handles}
        extent={extent}
        onTurn={setTurn}
        underlay={underlay}
        onTap={(thing) => {
          if (tool.type === 'look' || tool.type === 'add') choose(thing?.id ?? null);
        }}
        onPut={onPut}
        onHandle={onHandle}
        grip={grip}
        onGrip={onGrip}
        onLetGo={onLetGo}
      />
      <GroundUnderWay yard={yard} />
      <PlanButtons plan={handle} turn={turn + (headOf(kept).north ?? 0)} />
      {things.length === 0 && tool.type === 'look' && (
        <EmptyYard onPace={() => choose('~pace')} onAdd={() => choose('new')} />
      )}
    </View>
  );
  const back = (): void => {
    show({ wrong: null });
    step({ places: places.slice(0, -1) });
  };
  const anew = places.length > 1 ? (): void => setBegun(() => NOTHING_BEGUN) : null;
  const tapeAnew = (next: Tapes | null): void => {
    show({ mark: null });
    step({ tapes: next });
  };
  const foot = footOf();
  if (wide)
    return (
      <View style={styles.columns}>
        <View style={{ flex: 1.6 }}>
          {picture}
          {isSheet(tool, tapes) ? <Tools choose={choose} /> : (foot ?? <Tools choose={choose} />)}
        </View>
        {isSheet(tool, tapes) ? (
          <View style={styles.side}>{foot}</View>
        ) : (
          // A phone on its side has no room for a column with nothing in it.
          !short && (
            <View style={styles.side}>
              <View style={{ padding: SPACE.xl }}>
                <Text tone="soft">Tap anything on the plan to see and change it.</Text>
              </View>
            </View>
          )
        )}
      </View>
    );
  return (
    <View style={styles.stacked}>
      {picture}
      {foot ?? <Tools choose={choose} />}
    </View>
  );

  /** What stands under the plan: the sheet of what is chosen, or what the finger is to do next. */
  function footOf(): ReactNode {
    switch (tool.type) {
      case 'look':
        return tool.chosen === null ? null : <ElementSheet id={tool.chosen} onClose={close} onGo={choose} />;
      case 'add':
        return <AddOnPlan onClose={close} onGo={choose} />;
      case 'pace':
        return <PaceSheet draft={pace} onDraft={setPace} onClose={close} onGo={choose} />;
      case 'levels':
        return <LevelsSheet pending={pending} onPending={(next) => step({ pending: next })} onClose={close} />;
      case 'roof':
        return <RoofSheet building={tool.building} onClose={close} onGo={choose} />;
      case 'scale':
        return (
          <ScaleSheet
            underlay={tool.underlay}
            taps={tapes ?? { a: null, b: null }}
            onAnew={() => step({ tapes: null })}
            onClose={close}
            onGo={choose}
          />
        );
      case 'says':
        return (
          <SaysSheet
            onClose={close}
            onGo={choose}
            onShow={(place) => {
              show({ mark: place });
              handle.current?.show(place);
            }}
          />
        );
      case 'waysOut':
        return <WaysOutSheet onClose={close} onGo={choose} onRoute={onRoute} />;
      case 'section':
        return <SectionSheet way={places} onBack={back} onAnew={anew} onClose={close} onShow={onMark} />;
      case 'files':
        return <FilesSheet middle={middleOf(extent)} onClose={close} onGo={choose} />;
      case 'line':
        return (
          <Banner
            says={
              places.length === 0 ? lineStart(kept) : 'Tap its bends, then where it goes: a landing, or another line.'
            }
            wrong={wrong}
            onBack={places.length > 0 ? back : null}
            onAnew={anew}
            onClose={close}
          />
        );
      case 'putNew':
      case 'putOld': {
        const name =
          tool.type === 'putNew' ? tool.creation.stem.toLowerCase() : markWords(kept, plan, tool.element).name;
        if (tapes)
          return (
            <TapeSheet
              name={name}
              tapes={tapes}
              onShow={onMark}
              onPut={(place) => {
                show({ mark: null });
                if (tool.shape === 'place') putIn([place]);
                else step({ places: withPlace(places, place), tapes: null });
              }}
              onAnew={() => tapeAnew({ a: null, b: null })}
              onClose={() => tapeAnew(null)}
            />
          );
        const enough = tool.shape !== 'place' && places.length >= LEAST[tool.shape];
        return (
          <Banner
            says={
              tool.shape === 'place'
                ? `Tap where ${name} is. Hold and move for the magnifier.`
                : `Tap the ${tool.shape === 'outline' ? 'corners' : 'places'} of ${name} in turn.`
            }
            wrong={wrong}
            onBack={places.length > 0 ? back : null}
            onAnew={anew}
            onDone={enough ? () => putIn([...places]) : null}
            onTapes={() => step({ tapes: { a: null, b: null } })}
            onClose={close}
          />
        );
      }
    }
  }
}

const isSheet = (tool: Tool, tapes: Tapes | null): boolean =>
  tapes !== null ||
  (!['line', 'putNew', 'putOld'].includes(tool.type) && !(tool.type === 'look' && tool.chosen === null));
