/** A downspout. */
import {
  DOWNSPOUT_LABELS,
  DOWNSPOUT_SIZES,
  groundInlets,
  GUTTER_FACTS,
  GUTTERS,
  landsOnGutter,
  nameOf,
  ofKind,
  put,
  showFlow,
  showLevel,
  text,
  type Downspout,
  type DownspoutPlan,
} from '@katabasis/core';
import { View } from 'react-native';
import { Path, Rect } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { without } from '../input/without';
import { Feeds } from '../parts/forms/Feeds';
import type { Ask } from '../parts/Freeboard';
import { InletWorkings } from '../parts/InletWorkings';
import { NameAndLevel } from '../parts/forms/NameAndLevel';
import { Choice } from '../ui/Choice';
import { Figure } from '../ui/Figure';
import type { ElementView } from './view';
import { figureRow } from '../ui/rows';

function Panel({ inlet, onAsk }: { inlet: DownspoutPlan; onAsk: Ask }) {
  const { units } = useJob();
  return (
    <View style={figureRow}>
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

function Form({ element: downspout }: { element: Downspout }) {
  const { job, edit } = useJob();
  const lower = ofKind(job, 'downspout').filter((other) => other.id !== downspout.id);
  const inlets = groundInlets(job);
  const setGutter = (landsOn: Downspout['landsOn']): void => {
    const lands = landsOn?.length ? landsOn : undefined;
    const runs = lands ? ofKind(job, 'run').filter((run) => run.from === downspout.id || run.to === downspout.id) : [];
    edit({
      label: 'Say where the downspout lands',
      puts: [without(downspout, 'landsOn', lands)],
      removes: runs.map((run) => run.id),
    });
  };
  return (
    <>
      <NameAndLevel
        landing={downspout}
        levelLabel={landsOnGutter(downspout) ? 'Ground below it' : 'Ground at its foot'}
      />
      <Choice
        label="Opening"
        value={downspout.size}
        options={DOWNSPOUT_SIZES.map((size) => ({ value: size, label: DOWNSPOUT_LABELS[size] }))}
        onChoose={(size) => edit(put('Set downspout size', { ...downspout, size }))}
      />
      <Choice
        label="Gutter"
        value={downspout.gutter ?? GUTTERS[0]}
        options={GUTTERS.map((gutter) => ({
          value: gutter,
          label: GUTTER_FACTS[gutter].label,
          ...(gutter === GUTTERS[0] ? { note: 'usual' } : {}),
        }))}
        onChoose={(gutter) => edit(put('Set the gutter', { ...downspout, gutter }))}
      />
      <Choice
        label="Storey"
        value={String(downspout.storey)}
        options={['1', '2', '3'].map((value) => ({ value, label: value }))}
        onChoose={(storey) => edit(put('Set storey', { ...downspout, storey: Number(storey) }))}
      />
      {inlets.length > 0 && (
        <Choice
          label="What its gutter cannot take runs to"
          value={downspout.spillsTo ?? 'none'}
          options={[
            {
              value: 'none',
              label: 'Not said',
              note: landsOnGutter(downspout) ? 'all of it counts lower down' : 'the pipe is sized for all',
            },
            ...inlets.map((inlet) => ({ value: inlet.id, label: inlet.name })),
          ]}
          onChoose={(to) =>
            edit(put('Say where the gutter spills', without(downspout, 'spillsTo', to === 'none' ? undefined : to)))
          }
        />
      )}
      {lower.length > 0 && (
        <Feeds
          label="Empties into the gutter over, if it does not reach the ground"
          feeds={downspout.landsOn ?? []}
          targets={lower}
          none=""
          onChange={setGutter}
        />
      )}
    </>
  );
}

/** What it does in the design rain; any figure opens its working. */
function DownspoutPanel({ element: { id } }: { element: Downspout }) {
  return <InletWorkings id={id}>{(inlet, ask) => <Panel inlet={inlet as DownspoutPlan} onAsk={ask} />}</InletWorkings>;
}

export const downspoutView: ElementView<Downspout> = {
  Form,
  Panel: DownspoutPanel,
  list: {
    group: 'roofs',
    about: (downspout, { job, plan, units }) => ({
      about: landsOnGutter(downspout)
        ? `lands on the gutter of ${downspout.landsOn!.map((feed) => nameOf(job, feed.to)).join(' and ')}`
        : `ground ${text(showLevel(downspout.groundLevel, units))}`,
      figure: showFlow((plan.sources.atDownspout.get(downspout.id) ?? 0) * plan.rain, units),
    }),
  },
  glyph: (_, { outline, stroke }) => (
    <>
      <Rect x={-6} y={-13} width={12} height={20} {...outline} />
      <Path d="M-3 -9V3M3 -9V3" stroke={stroke} strokeWidth={1.6} />
    </>
  ),
};
