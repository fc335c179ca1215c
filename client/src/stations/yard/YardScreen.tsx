/** The yard: the ground plan, and all that is put down, measured and drawn on it. */
import {
  freeName,
  freshId,
  headOf,
  kindOf,
  markWords,
  placesOf,
  put,
  putDown,
  showLength,
  text,
  type Change,
  type Element,
  type Place,
} from '@katabasis/core';
import Expand from 'lucide-react-native/icons/expand';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { useJob, useKept } from '../../data/useJob';
import { GroundPlan, NorthMark, type Draft, type PlanHandle } from '../../drawing/yard/GroundPlan';
import { sceneOf, type Thing } from '../../drawing/yard/scene';
import type { Snapped } from '../../drawing/yard/snap';
import { drawOnPlan } from '../../elements';
import { ElementSheet } from '../../elements/ElementSheet';
import { usePalette, useStyles, useWide } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { useAt } from '../useAt';
import { useGo } from '../useGo';
import { useKeys } from '../useKeys';
import { AddOnPlan } from './AddOnPlan';
import { FilesSheet } from './FilesSheet';
import { drawLine, lineStart } from './drawLine';
import { groundOnPlan } from './ground';
import { LevelsSheet } from './LevelsSheet';
import { PaceSheet, type PaceDraft } from './PaceSheet';
import { RoofSheet } from './RoofSheet';
import { SaysSheet } from './SaysSheet';
import { LEAST, toolOf, type Tool } from './tools';
import { Underlays } from './Underlays';
import { WaysOutSheet } from './WaysOutSheet';

const make = (palette: Palette) => ({
  columns: { flex: 1, flexDirection: 'row' as const },
  stacked: { flex: 1 },
  plan: { flex: 1, minHeight: 0 },
  side: { flex: 1, maxWidth: 620, borderLeftWidth: 1, borderLeftColor: palette.line },
  tools: {
    flexDirection: 'row' as const,
    flexWrap: 'wrap' as const,
    gap: SPACE.xs,
    padding: SPACE.s,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    backgroundColor: palette.ground,
  },
  floating: { position: 'absolute' as const, right: SPACE.s, top: SPACE.s, gap: SPACE.xs },
  round: {
    width: 44,
    height: 44,
    borderRadius: 22,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
    backgroundColor: palette.ground,
    borderWidth: 1.5,
    borderColor: palette.ink,
  },
  banner: {
    flexDirection: 'row' as const,
    flexWrap: 'wrap' as const,
    alignItems: 'center' as const,
    gap: SPACE.s,
    padding: SPACE.s,
    paddingLeft: SPACE.l,
    borderTopWidth: 3,
    borderTopColor: palette.ink,
    backgroundColor: palette.ground,
  },
});

/** A yard that nobody has put anything in: where the first things will come. */
const EMPTY: readonly Place[] = [
  { east: -12, north: -12 },
  { east: 12, north: 12 },
];

export function YardScreen() {
  const styles = useStyles(make);
  const wide = useWide();
  const go = useGo();
  const at = useAt();
  const { job: kept, edit, units } = useKept();
  const { job, plan, preview } = useJob();
  const choose = useCallback((id: string | null): void => go('yard', id), [go]);
  const close = useCallback((): void => choose(null), [choose]);
  const tool = useMemo(() => toolOf(kept, at), [kept, at]);
  const [draft, setDraft] = useState<{ for: string | null; places: Place[] }>({ for: null, places: [] });
  const places = draft.for === at ? draft.places : [];
  const setPlaces = (next: Place[]): void => setDraft({ for: at, places: next });
  const [pace, setPace] = useState<PaceDraft | null>(null);
  const [pending, setPending] = useState<Snapped | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [route, setRoute] = useState<readonly Place[] | null>(null);
  const [turn, setTurn] = useState(0);
  const handle = useRef<PlanHandle>(null);
  const chosen = tool.type === 'look' ? tool.chosen : null;
  const things = useMemo(() => sceneOf(job), [job]);
  const ground = useMemo(() => groundOnPlan(job, chosen), [job, chosen]);
  const wordsOf = useCallback((thing: Thing) => markWords(job, plan, thing.element), [job, plan]);
  const extent = useMemo(() => {
    const all = things.flatMap((thing) => [...thing.places]);
    return all.length > 0 ? all : EMPTY;
  }, [things]);
  useEffect(() => {
    setWrong(null);
    setRoute(null);
    setPending(null);
  }, [at]);
  const chosenThing = chosen === null ? undefined : things.find(({ id }) => id === chosen);
  const handles = useMemo(() => handlesOf(chosenThing), [chosenThing]);
  useEffect(() => {
    if (chosenThing?.places[0] && !wide) handle.current?.show(middleOf(chosenThing.places));
    // Only when something else is chosen: a thing that is moved stays under the finger.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen, wide]);
  useKeys({ l: () => choose('~line'), Escape: close });

  const made = (change: Change, next: string | null): void => {
    const refused = edit(change);
    if (refused === null) choose(next);
    else setWrong(refused);
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
    setWrong(null);
    if (tool.type === 'levels') return setPending(snapped);
    if (tool.type === 'pace') return setPace({ ...(pace ?? firstPace()), start: snapped.place });
    if (tool.type === 'line') {
      const drawn = drawLine(kept, places, draftFrom(), snapped);
      if (drawn.type === 'wrong') return setWrong(drawn.sentence);
      if (drawn.type === 'on') {
        if (places.length === 0) from.current = drawn.from;
        return setPlaces([...places, snapped.place]);
      }
      return made(drawn.change, drawn.id);
    }
    if (tool.type !== 'putNew' && tool.type !== 'putOld') return;
    if (tool.shape === 'place') putIn([snapped.place]);
    else setPlaces([...places, snapped.place]);
  };
  const from = useRef<string | null>(null);
  const draftFrom = (): string | null => (places.length === 0 ? null : from.current);
  const onHandle = (corner: number, place: Place, done: boolean): void => {
    const element = chosen === null ? undefined : kept.elements.get(chosen);
    if (!element) return;
    const change = put(`Move ${markWords(kept, plan, element).name}`, movedBy(element, corner, place));
    if (!done) return preview(change);
    preview(null);
    edit(change);
  };
  const putting =
    tool.type === 'putNew' ||
    tool.type === 'putOld' ||
    tool.type === 'line' ||
    tool.type === 'levels' ||
    (tool.type === 'pace' && pace?.start == null);
  const shownDraft: Draft | null =
    tool.type === 'pace' && pace?.start
      ? {
          places: pace.places,
          closed: false,
          wordsOf: (a, b) => text(showLength(Math.hypot(b.east - a.east, b.north - a.north), units)),
        }
      : places.length > 0
        ? {
            places,
            closed: (tool.type === 'putNew' || tool.type === 'putOld') && tool.shape === 'outline',
            wordsOf: (a, b) => text(showLength(Math.hypot(b.east - a.east, b.north - a.north), units)),
          }
        : tool.type === 'levels' && pending
          ? { places: [pending.place], closed: false }
          : null;
  const onRoute = useCallback((way: readonly Place[] | null) => setRoute(way), []);
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
        underlay={<Underlays job={job} />}
        onTap={(thing) => {
          if (tool.type === 'look' || tool.type === 'add') choose(thing?.id ?? null);
        }}
        onPut={onPut}
        onHandle={onHandle}
      />
      <View style={styles.floating}>
        <Round label="Larger" onPress={() => handle.current?.zoom(1.4)} icon={Plus} />
        <Round label="Smaller" onPress={() => handle.current?.zoom(1 / 1.4)} icon={Minus} />
        <Round label="Show all" onPress={() => handle.current?.fit()} icon={Expand} />
        <NorthButton turn={turn + (headOf(kept).north ?? 0)} onPress={() => handle.current?.turn()} />
      </View>
      {things.length === 0 && tool.type === 'look' && (
        <EmptyYard onPace={() => choose('~pace')} onAdd={() => choose('new')} />
      )}
    </View>
  );
  const foot = footOf();
  if (wide)
    return (
      <View style={styles.columns}>
        <View style={{ flex: 1.6 }}>
          {picture}
          {isSheet(tool) ? <Tools choose={choose} /> : (foot ?? <Tools choose={choose} />)}
        </View>
        <View style={styles.side}>
          {isSheet(tool) ? (
            foot
          ) : (
            <View style={{ padding: SPACE.xl }}>
              <Text tone="soft">Tap anything on the plan to see and change it.</Text>
            </View>
          )}
        </View>
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
        return <LevelsSheet pending={pending} onPending={setPending} onClose={close} />;
      case 'roof':
        return <RoofSheet building={tool.building} onClose={close} onGo={choose} />;
      case 'says':
        return <SaysSheet onClose={close} onGo={choose} onShow={(place) => handle.current?.show(place)} />;
      case 'waysOut':
        return <WaysOutSheet onClose={close} onGo={choose} onRoute={onRoute} />;
      case 'files':
        return <FilesSheet onClose={close} onGo={choose} />;
      case 'line':
        return (
          <Banner
            says={
              places.length === 0 ? lineStart(kept) : 'Tap its bends, then where it goes: a landing, or another line.'
            }
            wrong={wrong}
            onBack={places.length > 0 ? () => setPlaces(places.slice(0, -1)) : null}
            onClose={close}
          />
        );
      case 'putNew':
      case 'putOld': {
        const name =
          tool.type === 'putNew' ? tool.creation.stem.toLowerCase() : markWords(kept, plan, tool.element).name;
        const enough = tool.shape !== 'place' && places.length >= LEAST[tool.shape];
        return (
          <Banner
            says={
              tool.shape === 'place'
                ? `Tap where ${name} is. Hold and move for the magnifier.`
                : `Tap the ${tool.shape === 'outline' ? 'corners' : 'places'} of ${name} in turn.`
            }
            wrong={wrong}
            onBack={places.length > 0 ? () => setPlaces(places.slice(0, -1)) : null}
            onDone={enough ? () => putIn(places) : null}
            onClose={close}
          />
        );
      }
    }
  }
}

const isSheet = (tool: Tool): boolean =>
  !['line', 'putNew', 'putOld'].includes(tool.type) && !(tool.type === 'look' && tool.chosen === null);

const firstPace = (): PaceDraft => ({ start: null, first: 0, walls: [], places: [] });

/** A landing that is put down takes the level of the ground there. */
const grounded = (element: Element): Element =>
  ['downspout', 'basin', 'channel', 'junction', 'discharge'].includes(element.kind)
    ? ({ ...element, levelFrom: 'ground' } as Element)
    : element;

/** What is drawn has its area from its outline, its length from its way, and no level but the book's. */
function bare(element: Element): Element {
  if (element.kind === 'surface') {
    const { area: _area, ...rest } = element;
    return rest;
  }
  if (element.kind === 'roofFace') return { ...element, shape: { type: 'outline', pitch: 0.5 } };
  return element;
}

const middleOf = (places: readonly Place[]): Place => ({
  east: places.reduce((sum, { east }) => sum + east, 0) / places.length,
  north: places.reduce((sum, { north }) => sum + north, 0) / places.length,
});

/** Corners that a finger can move: of a run its bends. */
function handlesOf(thing: Thing | undefined): readonly Place[] {
  if (!thing) return [];
  if (thing.kind === 'run') return thing.places.slice(1, -1);
  return thing.kind === 'opening' ? [] : thing.places;
}

function movedBy(element: Element, corner: number, place: Place): Element {
  if (element.kind === 'run')
    return { ...element, bends: (element.bends ?? []).map((each, k) => (k === corner ? place : each)) };
  return putDown(
    element,
    placesOf(element).map((each, k) => (k === corner ? place : each)),
  );
}

function Round({ label, onPress, icon: Icon }: { label: string; onPress: () => void; icon: typeof Plus }) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  return (
    <Pressable role="button" aria-label={label} onPress={onPress} style={styles.round}>
      <Icon size={22} color={ink} />
    </Pressable>
  );
}

function NorthButton({ turn, onPress }: { turn: number; onPress: () => void }) {
  const styles = useStyles(make);
  return (
    <Pressable role="button" aria-label="Turn the plan, or north up again" onPress={onPress} style={styles.round}>
      <NorthMark turn={turn} />
    </Pressable>
  );
}

function Tools({ choose }: { choose: (id: string) => void }) {
  const styles = useStyles(make);
  return (
    <View style={styles.tools} role="toolbar" aria-label="In the yard">
      <Button label="Put down" icon={Plus} kind="main" onPress={() => choose('new')} testID="yard-add" />
      <Button label="Levels" onPress={() => choose('~levels')} testID="yard-levels" />
      <Button label="Draw a line" onPress={() => choose('~line')} testID="yard-line" />
      <Button label="What it says" onPress={() => choose('~says')} testID="yard-says" />
      <Button label="Ways out" onPress={() => choose('~waysOut')} testID="yard-ways-out" />
      <Button label="Files" onPress={() => choose('~files')} testID="yard-files" />
    </View>
  );
}

interface BannerProps {
  says: string;
  wrong: string | null;
  onBack: (() => void) | null;
  onDone?: (() => void) | null;
  onClose: () => void;
}

function Banner({ says, wrong, onBack, onDone = null, onClose }: BannerProps) {
  const styles = useStyles(make);
  return (
    <View style={styles.banner} role="region" aria-label="What to tap">
      <View style={{ flexGrow: 1, flexBasis: 220 }} aria-live="polite">
        <Text kind="strong">{says}</Text>
        {wrong !== null && (
          <Text tone="stop" role="alert">
            {wrong}
          </Text>
        )}
      </View>
      {onBack && <Button label="One back" onPress={onBack} />}
      {onDone && <Button label="Done" kind="main" onPress={onDone} testID="put-done" />}
      <Button label="Leave it" kind="bare" onPress={onClose} />
    </View>
  );
}

function EmptyYard({ onPace, onAdd }: { onPace: () => void; onAdd: () => void }) {
  return (
    <View style={{ position: 'absolute', left: SPACE.l, right: 64, top: SPACE.l, gap: SPACE.m }}>
      <Text kind="heading">Nothing is on the plan yet</Text>
      <Text>
        Begin with the house: walk round it wall by wall. Then take levels, and the ground says where water goes.
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="Pace out a house" kind="main" onPress={onPace} testID="pace" />
        <Button label="Put something else down" onPress={onAdd} />
      </View>
    </View>
  );
}
