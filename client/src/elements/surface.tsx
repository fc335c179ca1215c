/** Ground that sheds to an inlet. */
import {
  decimals,
  takesGroundWater,
  nameOf,
  put,
  showFlow,
  SURFACE_COVERS,
  SURFACE_FACTS,
  type Surface,
  type SurfaceCover,
} from '@katabasis/core';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import { NameField, QuantityField } from '../input/Field';
import { without } from '../input/without';
import { Coefficient, Sheds } from '../parts/Contribution';
import { Feeds } from '../parts/forms/Feeds';
import { SPACE } from '../theme/tokens';
import { Choice } from '../ui/Choice';
import { Text } from '../ui/Text';
import { ledTo, type ElementView } from './view';
import { footRow } from '../ui/rows';
import { areaEntry, lengthEntry, pitchEntry } from '../input/entry';

function Form({ element: surface }: { element: Surface }) {
  const { job, edit, units } = useJob();
  const save = (label: string, next: Partial<Surface>): string | null => edit(put(label, { ...surface, ...next }));
  const choose = (cover: SurfaceCover): void => {
    edit(put('Say what covers it', { ...without(surface, 'coefficient', undefined), cover }));
  };
  const landings = job.elements.all.filter(takesGroundWater);
  return (
    <>
      <Sheds element={surface} />
      <NameField label="Name" value={surface.name} onCommit={(name) => save('Name ground', { name })} />
      <View style={footRow}>
        <QuantityField
          label="Area"
          usual="of its outline"
          value={surface.area}
          {...areaEntry(units)}
          optional={surface.outline !== undefined}
          onCommit={(area) => edit(put('Set area', without(surface, 'area', area)))}
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
  const { plan, edit } = useJob();
  const { sheet, shallow } = surface;
  const time = plan.sources.contributingAreas.find((shed) => shed.id === surface.id)?.time ?? 0;
  const save = (next: Pick<Surface, 'sheet' | 'shallow'>): string | null =>
    edit(put('Say how its water runs', without(without(surface, 'sheet', next.sheet), 'shallow', next.shallow)));
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
          <SheetAndRills sheet={sheet} shallow={shallow} save={save} />
          <Text>
            Takes {decimals(time / 60, 1)} min to the inlet{time < 300 ? '; under 5 min all of it counts' : ''}.
          </Text>
        </>
      )}
    </View>
  );
}

/** First in a sheet, then in rills. */
function SheetAndRills({
  sheet,
  shallow,
  save,
}: {
  sheet: NonNullable<Surface['sheet']>;
  shallow: Surface['shallow'];
  save: (next: Pick<Surface, 'sheet' | 'shallow'>) => string | null;
}) {
  const { units } = useJob();
  return (
    <>
      <View style={footRow}>
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
        <View style={footRow}>
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
    </>
  );
}

export const surfaceView: ElementView<Surface> = {
  Form,
  onPlan: ({ cover }, { path, ink, soil, bank, chosen }) => {
    const hard = cover === 'paving' || cover === 'pavers' || cover === 'permeablePavers' || cover === 'gravel';
    return (
      <Path
        d={path}
        fill={hard ? bank : soil}
        fillOpacity={hard ? 0.9 : 0.35}
        stroke={ink}
        strokeWidth={chosen ? 3.5 : hard ? 1.6 : 0.8}
        {...(hard ? {} : { strokeDasharray: '3 3' })}
      />
    );
  },
  list: {
    group: 'ground',
    about: (surface, { job, plan, units }) => {
      const contributing = plan.sources.contributingAreas.find((each) => each.id === surface.id);
      if (surface.outline && surface.feeds.length === 0) return { about: 'runs where the ground falls' };
      return {
        about: ledTo(
          'runs to',
          surface.feeds.map((feed) => nameOf(job, feed.to)),
        ),
        figure: showFlow((contributing?.effectiveArea ?? 0) * plan.rain, units),
      };
    },
  },
};
