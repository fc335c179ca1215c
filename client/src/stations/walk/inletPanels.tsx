/** What an inlet does in the design rain: a basin's rating curve with today's point on it, a channel's water profile, a downspout's limit. */
import {
  channelCapacity,
  elementOf,
  CUBIC_METRES_PER_SECOND_PER_GPM,
  inletWorking,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  MAX_OVER_SILL,
  sagCapacity,
  showFlow,
  showLength,
  showSmall,
  showSump,
  text,
  type BasinPlan,
  type ChannelPlan,
  type DownspoutPlan,
  type InletQuantity,
  type Shown,
  type UnitSystem,
} from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Circle, Line, Polygon, Polyline } from 'react-native-svg';
import { useKept } from '../../data/useJob';
import { Chart } from '../../drawing/Chart';
import { usePalette } from '../../theme/theme';
import { SPACE } from '../../theme/tokens';
import { Figure } from '../../ui/Figure';
import { Text } from '../../ui/Text';
import { WorkingPanel } from '../plan/WorkingPanel';

const row = { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl, rowGap: SPACE.s } as const;

/** Opens the working of one of an inlet's figures. */
type Ask = (quantity: InletQuantity) => void;

/** m of a small size's unit: inches or millimetres. */
const small = (units: UnitSystem): number => (units === 'us' ? METRES_PER_INCH : 0.001);

export function InletPanel({ id }: { id: string }) {
  const { job, plan } = useKept();
  const [asked, setAsked] = useState<InletQuantity | null>(null);
  const inlet = plan.inlets[id];
  const working = asked && inletWorking(job, plan, id, asked);
  if (!inlet) return null;
  if (working) return <WorkingPanel working={working} onBack={() => setAsked(null)} />;
  if (inlet.kind === 'basin') return <Basin id={id} inlet={inlet} onAsk={setAsked} />;
  return inlet.kind === 'channel' ? (
    <Channel id={id} inlet={inlet} onAsk={setAsked} />
  ) : (
    <Downspout inlet={inlet} onAsk={setAsked} />
  );
}

/** What is left to the sill, in the design rain and in the rarer one that openings are checked by. */
function Freeboard({ id, freeboard, onAsk }: { id: string; freeboard: number | null; onAsk: Ask }) {
  const { units, plan } = useKept();
  if (freeboard === null) return null;
  const rarer = plan.openings?.freeboards[id];
  const stop = (bad: boolean): { tone?: 'stop' } => (bad ? { tone: 'stop' } : {});
  const said = (left: number, when: string): { label: string; shown: Shown } => ({
    label: left < 0 ? `Over the sill${when}${left <= -MAX_OVER_SILL ? ', at least' : ''}` : `Below the sill${when}`,
    shown: showSmall(Math.abs(left), units),
  });
  return (
    <>
      <Figure
        {...said(freeboard, '')}
        {...stop(freeboard < plan.settings.openingMargin)}
        onPress={() => onAsk('sill')}
      />
      {rarer !== undefined && (
        <Figure
          {...said(rarer, `, ${plan.openings!.returnPeriod}-year`)}
          {...stop(rarer < 0)}
          onPress={() => onAsk('rarerSill')}
        />
      )}
    </>
  );
}

function Basin({ id, inlet, onAsk }: { id: string; inlet: BasinPlan; onAsk: Ask }) {
  const { units, plan } = useKept();
  const { ink, fix } = usePalette();
  const allowed = plan.settings.ponding;
  const deepest = Math.max(allowed * 2, inlet.ponding * 1.25);
  const depths = Array.from({ length: 41 }, (_, k) => (deepest * k) / 40);
  const curve = depths.map((depth): [number, number] => [sagCapacity({ ...inlet.inlet, depth }).flow, depth]);
  const most = Math.max(curve.at(-1)![0], inlet.taken * 1.1);
  const over = inlet.ponding > allowed;
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={row}>
        <Figure
          label="Stands over the grate"
          shown={showSmall(inlet.ponding, units)}
          size="hero"
          {...(over ? { tone: 'fix' as const } : {})}
          onPress={() => onAsk('water')}
        />
        <Figure
          label="Comes over the ground"
          shown={showFlow(inlet.offered, units)}
          size="hero"
          onPress={() => onAsk('water')}
        />
        {inlet.passedOn > 0 && (
          <Figure label="Runs past" shown={showFlow(inlet.passedOn, units)} onPress={() => onAsk('passed')} />
        )}
        <Figure
          label={`Takes at ${text(showSmall(allowed, units))}`}
          shown={showFlow(inlet.capacity, units)}
          onPress={() => onAsk('capacity')}
        />
        <Freeboard id={id} freeboard={inlet.freeboard} onAsk={onAsk} />
        {inlet.sump !== null && (
          <Figure label="Sump holds" shown={showSump(inlet.sump, units)} onPress={() => onAsk('sump')} />
        )}
      </View>
      <Chart
        said={`Rating curve: ${text(showFlow(inlet.taken, units))} at ${text(showSmall(inlet.ponding, units))} of water`}
        curve={curve}
        across={{
          label: `taken, ${showFlow(0, units).unit}`,
          most,
          per: units === 'us' ? CUBIC_METRES_PER_SECOND_PER_GPM : 0.001,
        }}
        up={{ label: `water over the grate, ${units === 'us' ? 'in' : 'mm'}`, most: deepest, per: small(units) }}
      >
        {(frame, width) => (
          <>
            <Line
              x1={frame.x(0)}
              x2={width - 12}
              y1={frame.y(allowed)}
              y2={frame.y(allowed)}
              stroke={fix}
              strokeWidth={1.5}
              strokeDasharray="6 4"
            />
            <Circle cx={frame.x(inlet.taken)} cy={frame.y(inlet.ponding)} r={7} fill={over ? fix : ink} />
          </>
        )}
      </Chart>
      <Text kind="small">
        The dot is the design rain; the broken line is the depth allowed here. {Math.round(inlet.inlet.clogging * 100)}%
        of the grate is taken as clogged.
      </Text>
    </View>
  );
}

function Channel({ id, inlet, onAsk }: { id: string; inlet: ChannelPlan; onAsk: Ask }) {
  const { job, units } = useKept();
  const { ink, stop } = usePalette();
  const { profile, drain } = inlet;
  const over = profile.over > 0;
  const most = Math.max(drain.depth, profile.maxDepth) * 1.1;
  const words = {
    free: 'Falls free at its outlet.',
    drowned: 'Water in the line stands in its outlet.',
    none: 'Runs fast to its outlet.',
  } as const;
  const several = profile.outlets.length > 1;
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={row}>
        <Figure
          label="Deepest water"
          shown={showSmall(profile.maxDepth, units)}
          size="hero"
          {...(over ? { tone: 'fix' as const } : {})}
          onPress={() => onAsk('water')}
        />
        <Figure
          label="Sheds into it"
          shown={showFlow(inlet.offered, units)}
          size="hero"
          onPress={() => onAsk('water')}
        />
        <Figure
          label="Takes, brimful"
          shown={showFlow(channelCapacity(elementOf(job, 'channel', id)!), units)}
          onPress={() => onAsk('capacity')}
        />
        {over && (
          <Figure
            label="Overtops along"
            shown={showLength(profile.overLength, units)}
            tone="fix"
            onPress={() => onAsk('over')}
          />
        )}
        {inlet.outletCapacity !== null && (
          <Figure
            label={several ? 'Each outlet takes' : 'Its outlet takes'}
            shown={showFlow(inlet.outletCapacity, units)}
            {...(inlet.outletCapacity < inlet.outletFlow ? { tone: 'fix' as const } : {})}
            onPress={() => onAsk('outlet')}
          />
        )}
        <Freeboard id={id} freeboard={inlet.freeboard} onAsk={onAsk} />
      </View>
      <Chart
        filled
        said={`Water in the channel along its length, at most ${text(showSmall(profile.maxDepth, units))} deep`}
        curve={profile.stations.map((station, k): [number, number] => [station, profile.depths[k]!])}
        across={{
          label: `from the upper end, ${units === 'us' ? 'ft' : 'm'}`,
          most: drain.length,
          per: units === 'us' ? METRES_PER_FOOT : 1,
        }}
        up={{ label: `depth, ${units === 'us' ? 'in' : 'mm'}`, most, per: small(units) }}
      >
        {(frame) => (
          <>
            <Polyline
              points={topOf(drain)
                .map(([x, y]) => `${frame.x(x)},${frame.y(y)}`)
                .join(' ')}
              fill="none"
              stroke={over ? stop : ink}
              strokeWidth={2.5}
            />
            {profile.outlets.map(({ at }) => (
              <Polygon key={at} points={outletMark(frame.x(at), frame.y(0))} fill={ink} />
            ))}
          </>
        )}
      </Chart>
      <Text kind="small">
        {several
          ? `Its outlets take ${profile.outlets.map(({ flow }) => text(showFlow(flow, units))).join(', ')}.`
          : words[profile.outletControl]}{' '}
        The straight line is the channel’s top, {text(showSmall(drain.depth, units))} over its bed at the lowest,{' '}
        {text(showLength(drain.length, units))} long; a wedge marks each outlet.
      </Text>
    </View>
  );
}

/** The channel's top over its bed, from its upper end: shallower toward where a bed with a fall of its own begins. */
function topOf({ depth, length, ownFall = 0, outlets }: ChannelPlan['drain']): [number, number][] {
  const fallen = (far: number): number => Math.max(0, depth - ownFall * far);
  return outlets === 'middle'
    ? [
        [0, fallen(length / 2)],
        [length / 2, depth],
        [length, fallen(length / 2)],
      ]
    : [
        [0, fallen(length)],
        [length, depth],
      ];
}

/** A wedge under the bed, pointing down. */
const outletMark = (x: number, y: number): string => `${x - 6},${y} ${x + 6},${y} ${x},${y + 8}`;

function Downspout({ inlet, onAsk }: { inlet: DownspoutPlan; onAsk: Ask }) {
  const { units } = useKept();
  return (
    <View style={row}>
      <Figure label="Comes to it" shown={showFlow(inlet.offered, units)} size="hero" onPress={() => onAsk('water')} />
      <Figure
        label={inlet.control === 'outlet' ? 'Its outlet takes' : 'It takes'}
        shown={showFlow(inlet.capacity, units)}
        size="hero"
        onPress={() => onAsk('water')}
      />
      {inlet.valley && (
        <Figure label="Down the valley" shown={showFlow(inlet.valley.offered, units)} onPress={() => onAsk('water')} />
      )}
      {inlet.valley && (
        <Figure
          label="Its gutter carries of that"
          shown={showFlow(inlet.valley.capacity, units)}
          {...(inlet.valley.capacity < inlet.valley.offered ? { tone: 'fix' as const } : {})}
          onPress={() => onAsk('water')}
        />
      )}
      {inlet.overshoot > 0 && (
        <Figure label="Spills" shown={showFlow(inlet.overshoot, units)} tone="fix" onPress={() => onAsk('water')} />
      )}
    </View>
  );
}
