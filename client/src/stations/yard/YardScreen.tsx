/** The yard: the ground plan, and all that is put down, measured and drawn on it. */
import { headOf, markWords, middleOf, moveWhole, put, type Place } from '@katabasis/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { usePreview, useJob } from '../../planning/useJob';
import { useYard } from '../../planning/useYard';
import { GroundPlan, type PlanHandle } from '../../drawing/yard/GroundPlan';
import { gripOf } from '../../drawing/yard/grip';
import { sceneOf, type Thing } from '../../drawing/yard/scene';
import type { Viewport } from '../../drawing/yard/viewport';
import { drawOnPlan } from '../../elements';
import { useShort, useStyles, useWide } from '../../theme/theme';
import type { Palette } from '../../theme/tokens';
import { shownGround, shownThings, useShow } from './showing';
import { useAt } from '../useAt';
import { useKeys } from '../useKeys';
import { HereList } from './list/HereList';
import { FieldPipes, fieldWays } from './FieldPipes';
import { groundOnPlan } from './ground';
import { handlesOf, movedBy } from './placing';
import { entryOfTool } from './tools';
import type { Board } from './tools/entry';
import { toolOf, type Tool } from './tools/tool';
import { Underlays } from './Underlays';
import { useBoard } from './useBoard';
import { ViewSwitch } from './ViewSwitch';
import { EmptyYard, GroundUnderWay, PlanButtons, Tools } from './YardTools';

const make = (palette: Palette) => ({
  columns: { flex: 1, flexDirection: 'row' as const },
  stacked: { flex: 1 },
  plan: { flex: 1, minHeight: 0 },
  side: { flex: 1, maxWidth: 620, borderLeftWidth: 1, borderLeftColor: palette.line },
});

/** A yard that nobody has put anything in: where the first things will come. */
const EMPTY: readonly Place[] = [
  { east: -12, north: -12 },
  { east: 12, north: 12 },
];

/** What of the yard lies on its plan, as shown: with what is under the finger. */
function useScene() {
  const { job } = usePreview();
  const things = useMemo(() => sceneOf(job), [job]);
  const extent = useMemo(() => {
    const all = things.flatMap((thing) => [...thing.places]);
    return all.length > 0 ? all : EMPTY;
  }, [things]);
  return { things, extent };
}

/** Moving what is chosen: by one of its corners, or whole by its grip. */
function useMoving(chosen: string | null) {
  const { job: kept, edit } = useJob();
  const { plan, preview } = usePreview();
  const onHandle = (corner: number, place: Place, done: boolean): void => {
    const element = chosen === null ? undefined : kept.elements.get(chosen);
    if (!element) return;
    const change = put(`Move ${markWords(kept, plan, element).name}`, movedBy(element, corner, place));
    if (!done) return preview(change);
    preview(null);
    edit(change);
  };
  const onGrip = (by: Place, done: boolean): void => {
    const change = chosen === null ? null : moveWhole(kept, chosen, by);
    preview(done ? null : change);
    if (done && change) edit(change);
  };
  const onLetGo = useCallback((): void => preview(null), [preview]);
  return { onHandle, onGrip, onLetGo };
}

interface PictureProps {
  board: ReturnType<typeof useBoard>;
  tool: Tool;
  scene: ReturnType<typeof useScene>;
  plan: { current: PlanHandle | null };
}

/** The ground plan under the tool in hand. */
function YardPicture({ board, tool, scene: { things, extent }, plan: handle }: PictureProps) {
  const styles = useStyles(make);
  const wide = useWide();
  const { job, plan } = usePreview();
  const { choose, route, mark } = board;
  const [turn, setTurn] = useState(0);
  const entry = entryOfTool(tool);
  const chosen = tool.type === 'look' ? tool.chosen : null;
  const moving = useMoving(chosen);
  const yard = useYard(job, 'picture', chosen);
  const ground = useMemo(() => (yard.answer ? groundOnPlan(job, yard.answer) : null), [job, yard.answer]);
  const [show, setShow] = useShow();
  const shown = useMemo(() => shownThings(things, show, chosen), [things, show, chosen]);
  const seenGround = useMemo(() => {
    const seen = shownGround(ground, show);
    return seen && route ? { ...seen, ways: [route] } : seen;
  }, [ground, route, show]);
  const wordsOf = useCallback((thing: Thing) => markWords(job, plan, thing.element), [job, plan]);
  const thing = chosen === null ? undefined : things.find(({ id }) => id === chosen);
  const handles = useMemo(() => handlesOf(thing), [thing]);
  const grip = useMemo(() => gripOf(thing), [thing]);
  useEffect(() => {
    if (thing?.places[0] && !wide) handle.current?.show(middleOf(thing.places));
    // Only when something else is chosen: a thing that is moved stays under the finger.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen, wide]);
  const under = useMemo(() => fieldWays(plan.works), [plan.works]);
  const underlay = useCallback(
    (view: Viewport) => (
      <>
        <Underlays job={job} view={view} />
        <FieldPipes works={plan.works} view={view} />
      </>
    ),
    [job, plan.works],
  );
  return (
    <View style={styles.plan}>
      <GroundPlan
        plan={handle}
        things={shown}
        ground={seenGround}
        wordsOf={wordsOf}
        draw={drawOnPlan}
        chosen={chosen}
        us={board.units === 'us'}
        doing={entry.puts(tool, board) ? 'put' : 'look'}
        draft={entry.draft?.(tool, board) ?? (mark ? { places: [mark], closed: false } : null)}
        handles={handles}
        extent={extent}
        onTurn={setTurn}
        underlay={underlay}
        under={under}
        onTap={(tapped) => {
          if (tool.type === 'look' || tool.type === 'add') choose(tapped?.id ?? null);
        }}
        onPut={(at) => {
          board.show({ wrong: null });
          entry.onPut?.(tool, board, at);
        }}
        grip={grip}
        {...moving}
      />
      <GroundUnderWay yard={yard} />
      <PlanButtons plan={handle} turn={turn + (headOf(board.job).north ?? 0)} show={show} onShow={setShow} />
      {things.length === 0 && tool.type === 'look' && (
        <EmptyYard onPace={() => choose('~pace')} onAdd={() => choose('new')} />
      )}
    </View>
  );
}

/** Beside the plan on a wide screen: the tool's sheet, or the list of what is here. */
function Side({ tool, board }: { tool: Tool; board: Board }) {
  const styles = useStyles(make);
  const short = useShort();
  const entry = entryOfTool(tool);
  if (entry.isSheet(tool, board)) return <View style={styles.side}>{entry.foot(tool, board)}</View>;
  // A phone on its side has no room for a column with nothing in it.
  if (short) return null;
  return (
    <View style={styles.side}>
      <HereList chosen={null} onChoose={board.choose} />
    </View>
  );
}

export function YardScreen() {
  const styles = useStyles(make);
  const wide = useWide();
  const short = useShort();
  const at = useAt();
  const { job } = useJob();
  const tool = useMemo(() => toolOf(job, at), [job, at]);
  const scene = useScene();
  const plan = useRef<PlanHandle>(null);
  const board = useBoard(at, scene.extent, plan);
  useKeys({ l: () => board.choose('~line') });
  const entry = entryOfTool(tool);
  const picture = <YardPicture board={board} tool={tool} scene={scene} plan={plan} />;
  const beside = wide && entry.isSheet(tool, board);
  const under = (beside ? null : entry.foot(tool, board)) ?? <Tools choose={board.choose} />;
  if (!wide)
    return (
      <View style={styles.stacked}>
        {!entry.isSheet(tool, board) && <ViewSwitch here="yard" />}
        {picture}
        {under}
      </View>
    );
  return (
    <View style={styles.columns}>
      <View style={{ flex: 1.6 }}>
        {!short && <ViewSwitch here="yard" />}
        {picture}
        {under}
      </View>
      <Side tool={tool} board={board} />
    </View>
  );
}
