/** A catch basin. */
import {
  CUBIC_METRES_PER_SECOND_PER_GPM,
  GRATE_FACTS,
  GRATES,
  METRES_PER_INCH,
  put,
  sagCapacity,
  sagDepth,
  showFlow,
  showLevel,
  showSmall,
  showSump,
  text,
  type Basin,
  type BasinPlan,
  inletOf,
} from '@katabasis/core';
import { View } from 'react-native';
import { Circle, Line, Rect } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { Chart } from '../drawing/Chart';
import { QuantityField } from '../input/Field';
import { smallUnit, shareBetween, smallEntry } from '../input/entry';
import { without } from '../input/without';
import { Freeboard, type Ask } from '../parts/Freeboard';
import { InletWorkings } from '../parts/InletWorkings';
import { NameAndLevel } from '../parts/forms/NameAndLevel';
import { OnSlopeForm } from '../parts/forms/OnSlopeForm';
import { SillFields } from '../parts/forms/SillFields';
import { usePalette } from '../theme/theme';
import { SPACE } from '../theme/tokens';
import { Choice, type Option } from '../ui/Choice';
import { Figure } from '../ui/Figure';
import { Text } from '../ui/Text';
import type { ElementView } from './view';
import { figureRow } from '../ui/rows';

function Panel({ id, inlet, onAsk }: { id: string; inlet: BasinPlan; onAsk: Ask }) {
  const { units, plan } = useJob();
  const { ink, fix } = usePalette();
  const allowed = plan.settings.ponding;
  const deepest = Math.max(allowed * 2, inlet.ponding * 1.25);
  const depths = Array.from({ length: 41 }, (_, k) => (deepest * k) / 40);
  const curve = depths.map((depth): [number, number] => [sagCapacity({ ...inlet.inlet, depth }).flow, depth]);
  const most = Math.max(curve.at(-1)![0], inlet.taken * 1.1);
  const over = inlet.ponding > allowed;
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={figureRow}>
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
        up={{ label: `water over the grate, ${units === 'us' ? 'in' : 'mm'}`, most: deepest, per: smallUnit(units) }}
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
        {inlet.sump !== null ? ' Its sump lies under its pipe and stays full of water.' : ''}
      </Text>
    </View>
  );
}

/** Less water over a grate than so is a film, m: 1/2 in. */
const FILM = METRES_PER_INCH / 2;

function Form({ element: basin }: { element: Basin }) {
  const { plan, edit, units } = useJob();
  const taken = plan.inlets[basin.id]?.taken ?? 0;
  const allowed = plan.settings.ponding;
  // What each takes under the water that is allowed over it; and how deep the design rain stands, where that is more than a film.
  const gives = (next: Basin): Pick<Option<string>, 'note' | 'tone'> => {
    const takes = sagCapacity({ ...inletOf(next), depth: allowed }).flow;
    const { depth } = sagDepth({ ...inletOf(next), flow: taken });
    const stands = depth >= FILM ? `, ${text(showSmall(depth, units))} of water` : '';
    return {
      note: `takes ${text(showFlow(takes, units))}${stands}`,
      ...(takes < taken ? { tone: 'fix' as const } : {}),
    };
  };
  return (
    <>
      <NameAndLevel landing={basin} levelLabel="Level of the grate" />
      <Choice
        label="Grate"
        value={basin.grate}
        options={GRATES.map((grate) => ({
          value: grate,
          label: GRATE_FACTS[grate].label,
          ...gives({ ...basin, grate }),
        }))}
        onChoose={(grate) => edit(put('Set grate', { ...basin, grate }))}
      />
      <Choice
        label="How many stand here"
        value={String(basin.count ?? 1)}
        options={[1, 2, 3, 4].map((count) => ({
          value: String(count),
          label: String(count),
          ...gives({ ...basin, count }),
        }))}
        onChoose={(count) =>
          edit(put('Set how many grates', without(basin, 'count', count === '1' ? undefined : Number(count))))
        }
      />
      <BasinDetails basin={basin} />
      <OnSlopeForm inlet={basin} />
    </>
  );
}

function BasinDetails({ basin }: { basin: Basin }) {
  const { edit, units } = useJob();
  const set = (label: string, key: keyof Basin, value: unknown): string | null =>
    edit(put(label, without(basin, key, value)));
  return (
    <>
      <View style={figureRow}>
        <QuantityField
          label={basin.clogging === undefined ? 'Clogged by leaves, usual' : 'Clogged by leaves'}
          name="clogging"
          value={basin.clogging ?? GRATE_FACTS[basin.grate].clogging}
          {...shareBetween(0, 0.95, 'What leaves clog of a grate is')}
          optional
          onCommit={(value) => set('Set clogging', 'clogging', value)}
        />
        <QuantityField
          label="Part of its edge against a wall"
          usual="none"
          value={basin.walled}
          {...shareBetween(0, 0.9, 'The part of its edge that stands against a wall is')}
          optional
          onCommit={(value) => set('Set the edge against a wall', 'walled', value)}
        />
      </View>
      <View style={figureRow}>
        <SillFields inlet={basin} />
        <QuantityField
          label="Sump under the outlet"
          usual="none"
          value={basin.sumpDepth}
          {...smallEntry(units, 0, 3, 'A sump is')}
          optional
          onCommit={(value) => set('Set the sump', 'sumpDepth', value)}
        />
      </View>
    </>
  );
}

/** What it does in the design rain; any figure opens its working. */
function BasinPanel({ element: { id } }: { element: Basin }) {
  return (
    <InletWorkings id={id}>{(inlet, ask) => <Panel id={id} inlet={inlet as BasinPlan} onAsk={ask} />}</InletWorkings>
  );
}

export const basinView: ElementView<Basin> = {
  Form,
  Panel: BasinPanel,
  list: {
    group: 'inlets',
    about: ({ groundLevel }, { units }) => ({ about: 'grate at', figure: showLevel(groundLevel, units) }),
  },
  glyph: (_, { outline, stroke }) => (
    <>
      <Rect x={-11} y={-8} width={22} height={17} {...outline} />
      {[-6, -2, 2, 6].map((at) => (
        <Line key={at} x1={at} x2={at} y1={-8} y2={-2} stroke={stroke} strokeWidth={2} />
      ))}
    </>
  ),
};
