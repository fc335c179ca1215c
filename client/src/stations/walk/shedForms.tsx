/** Roof faces and ground that sheds water. */
import {
  coefficientOf,
  decimals,
  isLanding,
  METRES_PER_FOOT,
  ofKind,
  planArea,
  put,
  contributingAreaWorking,
  showArea,
  showFlow,
  SURFACE_COVERS,
  SURFACE_FACTS,
  type FixedFlow,
  type RoofFace,
  type Surface,
  type SurfaceCover,
} from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useKept } from '../../data/useJob';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { areaEntry, coefficientEntry, flowEntry, pitchEntry, lengthEntry, roofPitchEntry } from '../../ui/entry';
import { NameField, QuantityField } from '../../ui/Field';
import { Figure } from '../../ui/Figure';
import { Text } from '../../ui/Text';
import { WorkingPanel } from '../plan/WorkingPanel';
import { Feeds } from './Feeds';

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-end' } as const;

/** What it sheds, with its working on asking. */
function Sheds({ element }: { element: RoofFace | Surface }) {
  const { job, plan, units } = useKept();
  const [open, setOpen] = useState(false);
  const shed = plan.sources.contributingAreas.find((each) => each.id === element.id);
  const working = open ? contributingAreaWorking(job, plan, element.id) : null;
  if (!shed) return null;
  if (working) return <WorkingPanel working={working} onBack={() => setOpen(false)} />;
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
      <Figure
        label="Sheds"
        shown={showFlow(shed.effectiveArea * plan.rain, units)}
        size="hero"
        onPress={() => setOpen(true)}
      />
      <Figure label="Gathers over" shown={showArea(shed.area, units)} size="hero" onPress={() => setOpen(true)} />
    </View>
  );
}

function Coefficient({ element }: { element: RoofFace | Surface }) {
  const { edit } = useKept();
  return (
    <QuantityField
      label={element.coefficient === undefined ? 'Runoff coefficient, usual' : 'Runoff coefficient, set by you'}
      value={coefficientOf(element)}
      {...coefficientEntry}
      optional
      onCommit={(coefficient) => {
        const { coefficient: _old, ...rest } = element;
        return edit(put('Set runoff coefficient', coefficient === undefined ? rest : { ...rest, coefficient }));
      }}
    />
  );
}

export function RoofFaceForm({ face }: { face: RoofFace }) {
  const { job, edit } = useKept();
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
      <NameField label="Name" value={face.name} onCommit={(name) => save('Name roof face', { name })} />
      <Choice
        label="Measured by"
        value={shape.type}
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
      <View style={row}>
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
  const { edit, units } = useKept();
  const { valley, ...rest } = face;
  const save = (gutterRun: number | null): string | null =>
    edit(put('Say how its water comes to the gutter', gutterRun === null ? rest : { ...rest, valley: { gutterRun } }));
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
        <View style={row}>
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
  const { units } = useKept();
  const { shape } = face;
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
      <View style={row}>
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

export function SurfaceForm({ surface }: { surface: Surface }) {
  const { job, edit, units } = useKept();
  const save = (label: string, next: Partial<Surface>): string | null => edit(put(label, { ...surface, ...next }));
  const choose = (cover: SurfaceCover): void => {
    const { coefficient: _old, ...rest } = surface;
    edit(put('Say what covers it', { ...rest, cover }));
  };
  const landings = job.elements.all
    .filter(isLanding)
    .filter((landing) => landing.kind === 'basin' || landing.kind === 'channel');
  return (
    <>
      <Sheds element={surface} />
      <NameField label="Name" value={surface.name} onCommit={(name) => save('Name ground', { name })} />
      <View style={row}>
        <QuantityField
          label="Area"
          value={surface.area}
          {...areaEntry(units)}
          onCommit={(area) => save('Set area', { area: area! })}
        />
        <Coefficient element={surface} />
      </View>
      <Feeds
        label="Its water runs to"
        feeds={surface.feeds}
        targets={landings}
        none="Add a catch basin first, then say here that this ground drains to it."
        onChange={(feeds) => void save('Lead the ground’s water', { feeds })}
      />
      <Choice
        label="What covers it"
        value={surface.cover}
        onChoose={choose}
        options={SURFACE_COVERS.filter((cover) => cover !== 'roof').map((cover) => ({
          value: cover,
          label: SURFACE_FACTS[cover].label,
          note: `sheds ${decimals(SURFACE_FACTS[cover].usual * 100, 0)}%`,
        }))}
      />
      <WayOverGround surface={surface} />
    </>
  );
}

/** Overland n of what water sheets over. */
const SHEETS = [
  { value: '0.012', label: 'Smooth paving' },
  { value: '0.15', label: 'Short grass' },
  { value: '0.24', label: 'Dense grass' },
] as const;
const FIRST_SHEET = { length: 15, slope: 0.02, roughness: 0.15 };
const FIRST_SHALLOW = { length: 15, slope: 0.02, paved: false };

/** The longest way that its water takes to the inlet: a slow lawn needs less pipe than a quick one. Without it all of it counts at once. */
function WayOverGround({ surface }: { surface: Surface }) {
  const { plan, edit, units } = useKept();
  const { sheet, shallow } = surface;
  const time = plan.sources.contributingAreas.find((shed) => shed.id === surface.id)?.time ?? 0;
  const save = (next: Pick<Surface, 'sheet' | 'shallow'>): string | null => {
    const { sheet: _sheet, shallow: _shallow, ...rest } = surface;
    return edit(
      put('Say how its water runs', {
        ...rest,
        ...(next.sheet ? { sheet: next.sheet } : {}),
        ...(next.shallow ? { shallow: next.shallow } : {}),
      }),
    );
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">How long its water takes</Text>
      <Choice
        label="Its longest way"
        hideLabel
        value={sheet ? 'timed' : 'atOnce'}
        options={[
          { value: 'atOnce', label: 'At once', note: 'counts in full' },
          { value: 'timed', label: 'By its way over the ground', note: 'slow ground counts for less' },
        ]}
        onChoose={(way) => save(way === 'atOnce' ? {} : { sheet: FIRST_SHEET })}
      />
      {sheet && (
        <>
          <View style={row}>
            <QuantityField
              label="In a sheet over"
              value={sheet.length}
              {...lengthEntry(units)}
              onCommit={(length) =>
                length! > 30.5
                  ? 'A sheet breaks into rills within 100 ft (30 m).'
                  : save({ sheet: { ...sheet, length: length! }, shallow })
              }
            />
            <QuantityField
              label="Falling"
              value={sheet.slope}
              {...pitchEntry}
              onCommit={(slope) => save({ sheet: { ...sheet, slope: slope! }, shallow })}
            />
          </View>
          <Choice
            label="Over"
            value={String(sheet.roughness)}
            options={SHEETS}
            onChoose={(roughness) => save({ sheet: { ...sheet, roughness: Number(roughness) }, shallow })}
          />
          <Choice
            label="Then in rills"
            value={shallow ? (shallow.paved ? 'paved' : 'turf') : 'none'}
            options={[
              { value: 'none', label: 'No' },
              { value: 'turf', label: 'Over turf' },
              { value: 'paved', label: 'Over paving' },
            ]}
            onChoose={(kind) =>
              save({
                sheet,
                shallow: kind === 'none' ? undefined : { ...FIRST_SHALLOW, ...shallow, paved: kind === 'paved' },
              })
            }
          />
          {shallow && (
            <View style={row}>
              <QuantityField
                label="Over"
                value={shallow.length}
                {...lengthEntry(units)}
                onCommit={(length) => save({ sheet, shallow: { ...shallow, length: length! } })}
              />
              <QuantityField
                label="Falling"
                value={shallow.slope}
                {...pitchEntry}
                onCommit={(slope) => save({ sheet, shallow: { ...shallow, slope: slope! } })}
              />
            </View>
          )}
          <Text>
            Takes {decimals(time / 60, 1)} min to the inlet{time < 300 ? '; under 5 min all of it counts' : ''}.
          </Text>
        </>
      )}
    </View>
  );
}

/** Water that comes whatever the sky does. */
export function FixedFlowForm({ source }: { source: FixedFlow }) {
  const { job, edit, units } = useKept();
  const save = (label: string, next: Partial<FixedFlow>): string | null => edit(put(label, { ...source, ...next }));
  const landings = job.elements.all.filter(isLanding).filter((landing) => landing.kind !== 'discharge');
  return (
    <>
      <View style={row}>
        <NameField label="Name" value={source.name} onCommit={(name) => save('Name it', { name })} />
        <QuantityField
          label="Runs at"
          value={source.flow}
          {...flowEntry(units)}
          onCommit={(flow) => save('Set its flow', { flow: flow! })}
        />
      </View>
      <Feeds
        label="Comes in at"
        feeds={source.feeds}
        targets={landings}
        none="Put in a basin or a downspout first."
        onChange={(feeds) => void save('Say where it comes in', { feeds })}
      />
    </>
  );
}
