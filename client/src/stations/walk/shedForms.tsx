/** Roof faces and ground that sheds water. */
import {
  coefficientOf, decimals, isLanding, METRES_PER_FOOT, ofKind, planArea, put, shedWorking, showArea, showFlow, SURFACE_COVERS, SURFACE_FACTS,
  type RoofFace, type Surface, type SurfaceCover,
} from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useKept } from '../../data/useJob';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { areaEntry, coefficientEntry, lengthEntry, roofPitchEntry } from '../../ui/entry';
import { NameField, QuantityField } from '../../ui/Field';
import { Figure } from '../../ui/Figure';
import { WorkingPanel } from '../plan/WorkingPanel';
import { Feeds } from './Feeds';

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-end' } as const;

/** What it sheds, with its working on asking. */
function Sheds({ element }: { element: RoofFace | Surface }) {
  const { job, plan, units } = useKept();
  const [open, setOpen] = useState(false);
  const shed = plan.sources.sheds.find((each) => each.id === element.id);
  const working = open ? shedWorking(job, plan, element.id) : null;
  if (!shed) return null;
  if (working) return <WorkingPanel working={working} onBack={() => setOpen(false)} />;
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
      <Figure label="Sheds" shown={showFlow(shed.effectiveArea * plan.rain, units)} size="hero" onPress={() => setOpen(true)} />
      <Figure label="Gathers over" shown={showArea(shed.area, units)} size="hero" onPress={() => setOpen(true)} />
    </View>
  );
}

function Coefficient({ element }: { element: RoofFace | Surface }) {
  const { edit } = useKept();
  return (
    <QuantityField
      label={element.coefficient === undefined ? 'Runoff coefficient, usual' : 'Runoff coefficient, set by you'} value={coefficientOf(element)} {...coefficientEntry} optional
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
    save('Measure the face another way', { shape: type === 'area' ? { type, area } : { type, width: area / width > 3 * width ? Math.sqrt(area) : width, run: area / (area / width > 3 * width ? Math.sqrt(area) : width), pitch: 0.5 } });
  };
  return (
    <>
      <Sheds element={face} />
      <NameField label="Name" value={face.name} onCommit={(name) => save('Name roof face', { name })} />
      <Choice label="Measured by" value={shape.type} options={[{ value: 'sides', label: 'Width and run' }, { value: 'area', label: 'Plan area' }]} onChoose={measureBy} />
      <Shape face={face} save={save} />
      <Feeds
        label="Its water goes to" feeds={face.feeds} targets={ofKind(job, 'downspout')} none="Add a downspout first, then say here that this face feeds it."
        onChange={(feeds) => void save('Lead the roof’s water', { feeds })}
      />
      <View style={row}>
        <Choice label="Storey" value={String(face.storey)} options={['1', '2', '3'].map((value) => ({ value, label: value }))} onChoose={(storey) => save('Set storey', { storey: Number(storey) })} />
        <Coefficient element={face} />
      </View>
    </>
  );
}

function Shape({ face, save }: { face: RoofFace; save: (label: string, next: Partial<RoofFace>) => string | null }) {
  const { units } = useKept();
  const { shape } = face;
  if (shape.type === 'area') {
    return <QuantityField label="Area seen from above" value={shape.area} {...areaEntry(units)} onCommit={(area) => save('Set roof area', { shape: { type: 'area', area: area! } })} testID="roof-area" />;
  }
  return (
    <>
      <View style={row}>
        <QuantityField label="Width along the eave" value={shape.width} {...lengthEntry(units)} onCommit={(width) => save('Set roof width', { shape: { ...shape, width: width! } })} />
        <QuantityField label="Run, eave to ridge" value={shape.run} {...lengthEntry(units)} onCommit={(run) => save('Set roof run', { shape: { ...shape, run: run! } })} />
        <QuantityField label="Pitch" value={shape.pitch} {...roofPitchEntry} onCommit={(pitch) => save('Set roof pitch', { shape: { ...shape, pitch: pitch! } })} />
      </View>
      <Choice
        label="The run was measured" value={shape.alongSlope ? 'slope' : 'level'} options={[{ value: 'level', label: 'Level, on the ground' }, { value: 'slope', label: 'Up the slope' }]}
        onChoose={(how) => save('Say how the run was measured', { shape: { ...shape, alongSlope: how === 'slope' } })}
      />
      <Choice
        label="Rain driven by wind" value={face.windDriven ? 'yes' : 'no'} options={[{ value: 'no', label: 'Leave out', note: 'usual' }, { value: 'yes', label: 'Allow for it', note: 'steep faces take more' }]}
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
  const landings = Object.values(job.elements).filter(isLanding).filter((landing) => landing.kind === 'basin');
  return (
    <>
      <Sheds element={surface} />
      <NameField label="Name" value={surface.name} onCommit={(name) => save('Name ground', { name })} />
      <View style={row}>
        <QuantityField label="Area" value={surface.area} {...areaEntry(units)} onCommit={(area) => save('Set area', { area: area! })} />
        <Coefficient element={surface} />
      </View>
      <Feeds label="Its water runs to" feeds={surface.feeds} targets={landings} none="Add a catch basin first, then say here that this ground drains to it." onChange={(feeds) => void save('Lead the ground’s water', { feeds })} />
      <Choice
        label="What covers it" value={surface.cover} onChoose={choose}
        options={SURFACE_COVERS.filter((cover) => cover !== 'roof').map((cover) => ({ value: cover, label: SURFACE_FACTS[cover].label, note: `sheds ${decimals(SURFACE_FACTS[cover].usual * 100, 0)}%` }))}
      />
    </>
  );
}
