/** One slope of roof. */
import {
  METRES_PER_FOOT,
  nameOf,
  ofKind,
  ownName,
  planArea,
  put,
  showArea,
  showFlow,
  text,
  type RoofFace,
} from '@katabasis/core';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { NameField, QuantityField } from '../input/Field';
import { areaEntry, lengthEntry, roofPitchEntry } from '../input/entry';
import type { PlanPens } from '../drawing/yard/pens';
import { without } from '../input/without';
import { Coefficient, Sheds } from '../parts/Contribution';
import { Feeds } from '../parts/forms/Feeds';
import { SPACE } from '../theme/tokens';
import { Choice } from '../ui/Choice';
import { ledTo, type ElementView } from './view';
import { footRow } from '../ui/rows';

function Form({ element: face }: { element: RoofFace }) {
  const { job, edit } = useJob();
  const { shape } = face;
  const save = (label: string, next: Partial<RoofFace>): string | null => edit(put(label, { ...face, ...next }));
  const measureBy = (type: 'area' | 'sides'): void => {
    if (type === shape.type) return;
    const area = planArea(face);
    const width = 10 * METRES_PER_FOOT;
    save('Measure the face another way', {
      shape:
        type === 'area'
          ? { type, area }
          : {
              type,
              width: area / width > 3 * width ? Math.sqrt(area) : width,
              run: area / (area / width > 3 * width ? Math.sqrt(area) : width),
              pitch: 0.5,
            },
    });
  };
  return (
    <>
      <Sheds element={face} />
      <NameField
        label="Name"
        value={face.name}
        onCommit={(name) => save('Name roof face', { name: ownName(job, face.id, name) })}
      />
      <Choice
        label="Measured by"
        value={shape.type === 'outline' ? null : shape.type}
        options={[
          { value: 'sides', label: 'Width and run' },
          { value: 'area', label: 'Plan area' },
        ]}
        onChoose={measureBy}
      />
      <Shape face={face} save={save} />
      <Feeds
        label="Its water goes to"
        feeds={face.feeds}
        targets={ofKind(job, 'downspout')}
        none="Add a downspout first, then say here that this face feeds it."
        onChange={(feeds) => void save('Lead the roof’s water', { feeds })}
      />
      <ValleyFields face={face} />
      <View style={footRow}>
        <Choice
          label="Storey"
          value={String(face.storey)}
          options={['1', '2', '3'].map((value) => ({ value, label: value }))}
          onChoose={(storey) => save('Set storey', { storey: Number(storey) })}
        />
        <Coefficient element={face} />
      </View>
    </>
  );
}

const FIRST_GUTTER_RUN = 20 * METRES_PER_FOOT;

/** How its water comes to the gutter: a valley brings it all to one place. */
function ValleyFields({ face }: { face: RoofFace }) {
  const { edit, units } = useJob();
  const { valley } = face;
  const save = (gutterRun: number | null): string | null =>
    edit(
      put(
        'Say how its water comes to the gutter',
        without(face, 'valley', gutterRun === null ? undefined : { gutterRun }),
      ),
    );
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="Comes to the gutter"
        value={valley ? 'valley' : 'eave'}
        options={[
          { value: 'eave', label: 'All along the eave' },
          { value: 'valley', label: 'Down a valley', note: 'at one place' },
        ]}
        onChoose={(how) => void save(how === 'valley' ? FIRST_GUTTER_RUN : null)}
      />
      {valley && (
        <View style={footRow}>
          <QuantityField
            label="Gutter from the valley to the downspout"
            value={valley.gutterRun}
            {...lengthEntry(units)}
            onCommit={(gutterRun) => save(gutterRun!)}
            testID="valley-run"
          />
        </View>
      )}
    </View>
  );
}

function Shape({ face, save }: { face: RoofFace; save: (label: string, next: Partial<RoofFace>) => string | null }) {
  const { units } = useJob();
  const { shape } = face;
  if (shape.type === 'outline') {
    return (
      <QuantityField
        label="Pitch"
        value={shape.pitch}
        {...roofPitchEntry}
        hint="Its area is that of its outline on the ground plan"
        onCommit={(pitch) => save('Set roof pitch', { shape: { ...shape, pitch: pitch! } })}
      />
    );
  }
  if (shape.type === 'area') {
    return (
      <QuantityField
        label="Area seen from above"
        value={shape.area}
        {...areaEntry(units)}
        onCommit={(area) => save('Set roof area', { shape: { type: 'area', area: area! } })}
        testID="roof-area"
      />
    );
  }
  return (
    <>
      <View style={footRow}>
        <QuantityField
          label="Width along the eave"
          value={shape.width}
          {...lengthEntry(units)}
          onCommit={(width) => save('Set roof width', { shape: { ...shape, width: width! } })}
        />
        <QuantityField
          label="Run, eave to ridge"
          value={shape.run}
          {...lengthEntry(units)}
          onCommit={(run) => save('Set roof run', { shape: { ...shape, run: run! } })}
        />
        <QuantityField
          label="Pitch"
          value={shape.pitch}
          {...roofPitchEntry}
          onCommit={(pitch) => save('Set roof pitch', { shape: { ...shape, pitch: pitch! } })}
        />
      </View>
      <Choice
        label="The run was measured"
        value={shape.alongSlope ? 'slope' : 'level'}
        options={[
          { value: 'level', label: 'Level, on the ground' },
          { value: 'slope', label: 'Up the slope' },
        ]}
        onChoose={(how) => save('Say how the run was measured', { shape: { ...shape, alongSlope: how === 'slope' } })}
      />
      <Choice
        label="Rain driven by wind"
        value={face.windDriven ? 'yes' : 'no'}
        options={[
          { value: 'no', label: 'Leave out', note: 'usual' },
          { value: 'yes', label: 'Allow for it', note: 'steep faces take more' },
        ]}
        onChoose={(how) => save('Allow for wind', { windDriven: how === 'yes' })}
      />
    </>
  );
}

/** Its outline, its gutter, and an arrow down the slope. */
function onRoof({ eave, outline }: RoofFace, { spots, path, ink, ground, water, chosen }: PlanPens) {
  const index = (place: { east: number; north: number }): number =>
    outline?.findIndex((each) => Math.hypot(each.east - place.east, each.north - place.north) < 0.01) ?? -1;
  const [a, b] = (eave ?? []).map((place) => spots[index(place)]);
  const middle = spots.reduce((s, { x, y }) => ({ x: s.x + x / spots.length, y: s.y + y / spots.length }), {
    x: 0,
    y: 0,
  });
  const foot = a && b ? { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 } : null;
  return (
    <>
      <Path d={path} fill={ground} fillOpacity={0.55} stroke={ink} strokeWidth={chosen ? 3 : 1.2} />
      {a && b && <Path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} stroke={ink} strokeWidth={5} opacity={0.85} />}
      {foot && (
        <Path
          d={`M${middle.x} ${middle.y}L${middle.x + 0.6 * (foot.x - middle.x)} ${middle.y + 0.6 * (foot.y - middle.y)}`}
          stroke={water}
          strokeWidth={2}
          strokeDasharray="5 4"
        />
      )}
    </>
  );
}

export const roofFaceView: ElementView<RoofFace> = {
  Form,
  onPlan: onRoof,
  list: {
    group: 'roofs',
    about: (face, { job, plan, units }) => {
      const contributing = plan.sources.contributingAreas.find((each) => each.id === face.id);
      const led = ledTo(
        'to',
        face.feeds.map((feed) => nameOf(job, feed.to)),
      );
      return {
        about: `${text(showArea(contributing?.area ?? 0, units))} ${led}`,
        figure: showFlow((contributing?.effectiveArea ?? 0) * plan.rain, units),
      };
    },
  },
};
