/**
 * The plan under a finger: one moves it or puts things down, two make it larger and turn it. What is drawn stays as it is while it is
 * moved, as a picture is, and is drawn anew when the finger rests: a frame costs the same however much lies in the yard.
 */
import type { Ref } from 'react';
import { View } from 'react-native';
import { usePalette, useStyles } from '../../theme/theme';
import type { Palette } from '../../theme/tokens';
import type { Drawn } from './drawn';
import { Loupe, OverPlan, type Draft } from './OverPlan';
import { usePlanFingers, type Doing, type FingersOn } from './usePlanFingers';
import { usePlanView, type PlanHandle } from './usePlanView';
import { YardDrawing } from './YardDrawing';

export type { Doing, PlanHandle };

const make = (palette: Palette) => ({
  whole: { flex: 1, overflow: 'hidden' as const, backgroundColor: palette.ground },
  still: { ...({ touchAction: 'none', cursor: 'grab', userSelect: 'none' } as object) },
  layer: {
    position: 'absolute' as const,
    left: 0,
    top: 0,
    ...({ transformOrigin: '0 0', willChange: 'transform' } as object),
  },
});

interface Props
  extends
    Omit<Drawn, 'view' | 'draw'>,
    Pick<FingersOn, 'doing' | 'handles' | 'onTap' | 'onPut' | 'onHandle' | 'onLetGo' | 'extent'>,
    Partial<Pick<FingersOn, 'grip' | 'onGrip'>> {
  draw: Drawn['draw'];
  draft: Draft | null;
  plan?: Ref<PlanHandle>;
  /** Told how far the plan is turned, rad. */
  onTurn: (turn: number) => void;
}

export function GroundPlan(props: Props) {
  const {
    doing,
    draft,
    handles,
    grip = null,
    onGrip,
    onTap,
    onPut,
    onHandle,
    onLetGo,
    plan,
    extent,
    onTurn,
    ...drawn
  } = props;
  const styles = useStyles(make);
  const palette = usePalette();
  const seen = usePlanView(extent, onTurn, plan);
  const { things, chosen } = drawn;
  const { aim, host, handlers } = usePlanFingers(
    {
      doing,
      things,
      chosen,
      before: draft?.places ?? [],
      handles,
      grip,
      extent,
      onTap,
      onPut,
      onHandle,
      onGrip,
      onLetGo,
    },
    seen,
  );
  const { view, layer, onLayout } = seen;
  const isLooking = doing === 'look';
  return (
    <View
      ref={host as never}
      style={[styles.whole, styles.still, isLooking ? null : ({ cursor: 'crosshair' } as object)]}
      onLayout={onLayout}
      role="region"
      aria-label="Ground plan: arrows move it, plus and minus make it larger and smaller, 0 shows all"
      tabIndex={0}
      testID="ground-plan"
      {...(handlers as object)}
    >
      {view && (
        <View
          ref={layer as never}
          style={[styles.layer, { width: view.width, height: view.height, overflow: 'visible' }]}
        >
          <YardDrawing {...drawn} view={view} />
          <OverPlan view={view} draft={draft} handles={isLooking ? handles : []} grip={isLooking ? grip : null} />
        </View>
      )}
      {aim && <Loupe {...drawn} view={aim.view} aim={aim} draft={draft} ink={palette.ink} />}
    </View>
  );
}
