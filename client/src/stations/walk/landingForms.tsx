/** Places that a pipe starts at, passes or ends. */
import {
  DOWNSPOUT_LABELS,
  DOWNSPOUT_SIZES,
  GRATE_FACTS,
  GRATES,
  groundInlets,
  GUTTER_FACTS,
  GUTTERS,
  inletOf,
  landsOnGutter,
  METRES_PER_INCH,
  ofKind,
  outletsFit,
  put,
  sagDepth,
  showFlow,
  showSmall,
  showVelocity,
  text,
  TURN_FACTS,
  TURNS,
  type Basin,
  type Channel,
  type Discharge,
  type Downspout,
  type Junction,
  type Landing,
} from '@katabasis/core';
import { View } from 'react-native';
import { useKept } from '../../data/useJob';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import {
  coverEntry,
  distanceEntry,
  distancesEntry,
  flowEntry,
  lengthEntry,
  levelEntry,
  pitchEntry,
  shareEntry,
} from '../../ui/entry';
import { NameField, QuantityField } from '../../ui/Field';
import { Text } from '../../ui/Text';
import { Feeds } from './Feeds';

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' } as const;

function NameAndLevel({ landing, levelLabel }: { landing: Landing; levelLabel: string }) {
  const { edit, units } = useKept();
  const setLevel = (groundLevel: number): string | null => {
    const next = { ...landing, groundLevel };
    // A measured level is no longer assumed.
    if (next.kind === 'discharge') delete next.assumed;
    return edit(put(`Set level of ${landing.name}`, next));
  };
  return (
    <View style={row}>
      <NameField label="Name" value={landing.name} onCommit={(name) => edit(put('Name it', { ...landing, name }))} />
      <QuantityField
        label={levelLabel}
        value={landing.groundLevel}
        {...levelEntry(units)}
        onCommit={(level) => setLevel(level!)}
        testID="ground-level"
        hint="Above or below the job’s zero"
      />
    </View>
  );
}

export function DownspoutForm({ downspout }: { downspout: Downspout }) {
  const { job, edit } = useKept();
  const lower = ofKind(job, 'downspout').filter((other) => other.id !== downspout.id);
  const inlets = groundInlets(job);
  const setGutter = (landsOn: Downspout['landsOn']): void => {
    const { landsOn: _old, ...rest } = downspout;
    const runs = landsOn?.length
      ? ofKind(job, 'run').filter((run) => run.from === downspout.id || run.to === downspout.id)
      : [];
    edit({
      label: 'Say where the downspout lands',
      puts: [landsOn?.length ? { ...rest, landsOn } : rest],
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

export function JunctionForm({ junction }: { junction: Junction }) {
  const { edit } = useKept();
  return (
    <>
      <NameAndLevel landing={junction} levelLabel="Ground here" />
      <Choice
        label="What it is"
        value={junction.form}
        options={[
          { value: 'wye', label: 'Wye' },
          { value: 'tee', label: 'Tee', note: 'square to the flow' },
          { value: 'cleanout', label: 'Cleanout' },
          { value: 'bend', label: 'Bend or grade break' },
        ]}
        onChoose={(form) => edit(put('Say what it is', { ...junction, form }))}
      />
      {junction.form === 'bend' && (
        <Choice
          label="Made of"
          value={junction.turn ?? TURNS[0]}
          options={TURNS.map((turn) => ({
            value: turn,
            label: TURN_FACTS[turn].label,
            note: `loses ${TURN_FACTS[turn].loss} V²/2g`,
          }))}
          onChoose={(turn) => edit(put('Say how it turns', { ...junction, turn }))}
        />
      )}
    </>
  );
}

export function BasinForm({ basin }: { basin: Basin }) {
  const { plan, edit, units } = useKept();
  const taken = plan.inlets[basin.id]?.taken ?? 0;
  // What each would give: how deep the design rain stands over it.
  const stands = (next: Basin): string =>
    `${text(showSmall(sagDepth({ ...inletOf(next), flow: taken }).depth, units))} of water`;
  const gives = (grate: Basin['grate']): string =>
    taken > 0
      ? stands({ ...basin, grate })
      : `${Math.round(GRATE_FACTS[grate].openArea / METRES_PER_INCH ** 2)} in² open`;
  return (
    <>
      <NameAndLevel landing={basin} levelLabel="Level of the grate" />
      <Choice
        label="Grate"
        value={basin.grate}
        options={GRATES.map((grate) => ({ value: grate, label: GRATE_FACTS[grate].label, note: gives(grate) }))}
        onChoose={(grate) => edit(put('Set grate', { ...basin, grate }))}
      />
      <Choice
        label="How many stand here"
        value={String(basin.count ?? 1)}
        options={[1, 2, 3, 4].map((count) => ({
          value: String(count),
          label: String(count),
          ...(taken > 0 ? { note: stands({ ...basin, count }) } : {}),
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

/** A value that may be left empty: emptied, the element goes without it. */
function without<T extends object>(element: T, key: keyof T, value: unknown): T {
  const { [key]: _old, ...rest } = element;
  return (value === undefined ? rest : { ...rest, [key]: value }) as T;
}

function BasinDetails({ basin }: { basin: Basin }) {
  const { edit, units } = useKept();
  const set = (label: string, key: keyof Basin, value: unknown): string | null =>
    edit(put(label, without(basin, key, value)));
  return (
    <>
      <View style={row}>
        <QuantityField
          label={basin.clogging === undefined ? 'Leaves take, usual' : 'Leaves take'}
          value={basin.clogging ?? GRATE_FACTS[basin.grate].clogging}
          {...shareEntry}
          optional
          onCommit={(value) =>
            value !== undefined && value > 0.95
              ? 'Leave at least 5% of it open.'
              : set('Set clogging', 'clogging', value)
          }
        />
        <QuantityField
          label="Rim against a wall"
          usual="none"
          value={basin.walled}
          {...shareEntry}
          optional
          onCommit={(value) =>
            value !== undefined && value > 0.9
              ? 'Leave at least 10% of the rim open.'
              : set('Set walled rim', 'walled', value)
          }
        />
      </View>
      <View style={row}>
        <SillFields inlet={basin} />
        <QuantityField
          label="Sump under the outlet"
          usual="none"
          value={basin.sumpDepth}
          {...coverEntry(units)}
          optional
          onCommit={(value) => set('Set the sump', 'sumpDepth', value)}
        />
      </View>
    </>
  );
}

/** The sill that an inlet protects, and the level at which water that it does not take runs off clear of it. */
function SillFields({ inlet }: { inlet: Basin | Channel }) {
  const { edit, units } = useKept();
  const set = (label: string, key: 'sillLevel' | 'spillLevel', value: number | undefined): string | null =>
    edit(put(label, without(inlet, key, value)));
  return (
    <>
      <QuantityField
        label="Sill that it protects"
        usual="none"
        value={inlet.sillLevel}
        {...levelEntry(units)}
        optional
        onCommit={(value) => set('Set the sill', 'sillLevel', value)}
        hint="Door, vent or window well"
        testID="sill"
      />
      {inlet.sillLevel !== undefined && (
        <QuantityField
          label="Blocked, water runs off at"
          usual="not known"
          value={inlet.spillLevel}
          {...levelEntry(units)}
          optional
          onCommit={(value) => set('Set where it runs off', 'spillLevel', value)}
          hint="Ground that it goes over, clear of the building"
          testID="spill"
        />
      )}
    </>
  );
}

/** Overland n of what water comes on over. */
const OVER = [
  { value: '0.012', label: 'Paving' },
  { value: '0.15', label: 'Short grass' },
  { value: '0.24', label: 'Dense grass' },
] as const;

/** In a dip an inlet waits for its water; on a slope some of it runs over and on. */
function OnSlopeForm({ inlet }: { inlet: Basin | Channel }) {
  const { job, plan, edit, units } = useKept();
  const { approach } = inlet;
  const told = plan.onSlope.get(inlet.id);
  const save = (next: Basin['approach']): string | null =>
    edit(
      put(
        'Say how water comes on',
        without(without(inlet, 'approach', next), 'passesTo', next ? inlet.passesTo : undefined),
      ),
    );
  const others = groundInlets(job).filter((other) => other.id !== inlet.id);
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="It stands"
        value={approach ? 'slope' : 'dip'}
        options={[
          { value: 'dip', label: 'In a low spot' },
          { value: 'slope', label: 'On a slope', note: 'some may run past' },
        ]}
        onChoose={(where) => save(where === 'dip' ? undefined : { slope: 0.02, roughness: 0.012 })}
      />
      {approach && (
        <>
          <View style={row}>
            <QuantityField
              label="Ground falls toward it"
              value={approach.slope}
              {...pitchEntry}
              onCommit={(slope) => save({ ...approach, slope: slope! })}
            />
            {inlet.kind === 'basin' && (
              <QuantityField
                label="Water comes on as wide as"
                usual="the grate"
                value={approach.width}
                {...lengthEntry(units)}
                optional
                onCommit={(width) => save(without(approach, 'width', width))}
              />
            )}
          </View>
          <Choice
            label="Over"
            value={String(approach.roughness)}
            options={OVER}
            onChoose={(roughness) => save({ ...approach, roughness: Number(roughness) })}
          />
          {others.length > 0 && (
            <Choice
              label="What runs past goes on to"
              value={inlet.passesTo ?? 'none'}
              options={[
                { value: 'none', label: 'Nowhere yet' },
                ...others.map((other) => ({ value: other.id, label: other.name })),
              ]}
              onChoose={(to) =>
                edit(put('Say where the rest goes', without(inlet, 'passesTo', to === 'none' ? undefined : to)))
              }
            />
          )}
          {told && (
            <Text>
              Takes {Math.round(told.share * 100)}% of {text(showFlow(told.offered, units))};{' '}
              {text(showFlow(told.passed, units))} runs past. A sheet {text(showSmall(told.depth, units))} deep at{' '}
              {text(showVelocity(told.velocity, units))} needs {text(showSmall(told.needed, units))} of open grate to
              fall in.
            </Text>
          )}
        </>
      )}
    </View>
  );
}

export function ChannelForm({ channel }: { channel: Channel }) {
  const { edit, units } = useKept();
  const set = (label: string, next: Partial<Channel>): string | null => {
    const changed = { ...channel, ...next };
    return outletsFit(changed)
      ? edit(put(label, changed))
      : 'Its outlets come one after another, none beyond its length.';
  };
  const steep = (slope: number | undefined): string | null =>
    slope !== undefined && slope > 0.5 ? 'At most 50%.' : null;
  return (
    <>
      <NameAndLevel landing={channel} levelLabel="Level of its grate" />
      <ChannelOutlets channel={channel} set={set} />
      <Choice
        label="The hole to its pipe"
        value={channel.hole ?? 'floor'}
        options={[
          { value: 'floor', label: 'In its floor' },
          { value: 'end', label: 'In its end or side', note: 'under less water' },
        ]}
        onChoose={(hole) => set('Say where its hole is', { hole })}
      />
      <Choice
        label="Its floor"
        value={channel.section ?? 'flat'}
        options={[
          { value: 'flat', label: 'Flat' },
          { value: 'round', label: 'Half round', note: 'cleans itself at a trickle' },
        ]}
        onChoose={(section) => set('Say what its floor is', { section })}
      />
      <View style={row}>
        <QuantityField
          label="Inside width"
          value={channel.width}
          {...coverEntry(units)}
          onCommit={(width) => set('Set channel width', { width: width! })}
        />
        <QuantityField
          label="Depth at the outlet"
          value={channel.depth}
          {...coverEntry(units)}
          onCommit={(depth) => set('Set channel depth', { depth: depth! })}
        />
      </View>
      <View style={row}>
        <QuantityField
          label="Length"
          value={channel.length}
          {...lengthEntry(units)}
          onCommit={(length) => set('Set channel length', { length: length! })}
        />
        <QuantityField
          label="Bed’s own fall"
          usual="level"
          value={channel.slope === 0 ? undefined : channel.slope}
          {...pitchEntry}
          optional
          onCommit={(slope) => steep(slope) ?? set('Set channel fall', { slope: slope ?? 0 })}
          hint="Against its grate"
        />
        <QuantityField
          label="Its grate falls"
          usual="level"
          value={channel.topSlope}
          {...pitchEntry}
          optional
          onCommit={(slope) => steep(slope) ?? edit(put('Set the grate’s fall', without(channel, 'topSlope', slope)))}
          hint="With the paving"
        />
      </View>
      <View style={row}>
        <SillFields inlet={channel} />
      </View>
      <OnSlopeForm inlet={channel} />
    </>
  );
}

/** Where its water leaves it; several outlets share the water by where it divides, and lead into its one line. */
function ChannelOutlets({
  channel,
  set,
}: {
  channel: Channel;
  set: (label: string, next: Partial<Channel>) => string | null;
}) {
  const { units } = useKept();
  const outlet = channel.outlet ?? 'end';
  const several = typeof outlet !== 'string';
  const choose = (where: 'end' | 'middle' | 'several'): void =>
    void set('Say where its outlet is', { outlet: where === 'several' ? [0, channel.length] : where });
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="Its outlet"
        value={several ? 'several' : outlet}
        options={[
          { value: 'end', label: 'At its end' },
          { value: 'middle', label: 'In its middle', note: 'two halves fall to it' },
          { value: 'several', label: 'Several', note: 'they share the water' },
        ]}
        onChoose={choose}
      />
      {several && (
        <QuantityField
          label="Outlets, from its upper end"
          value={outlet}
          {...distancesEntry(units)}
          onCommit={(places) => set('Set its outlets', { outlet: [...places!] })}
          usual={units === 'us' ? "0, 20'" : '0, 6'}
          hint="One after another, with commas"
          testID="outlets"
        />
      )}
    </View>
  );
}

const RECEIVING = [
  { value: 'swale', label: 'Swale' },
  { value: 'slope', label: 'Slope' },
  { value: 'ditch', label: 'Ditch' },
  { value: 'street', label: 'Street' },
  { value: 'lawn', label: 'Lawn' },
] as const;

export function DischargeForm({ discharge }: { discharge: Discharge }) {
  const { edit, units } = useKept();
  const save = (label: string, next: Partial<Discharge>): string | null => edit(put(label, { ...discharge, ...next }));
  return (
    <>
      <NameAndLevel
        landing={discharge}
        levelLabel={
          discharge.form === 'popup'
            ? 'Level of the lid'
            : discharge.form === 'main'
              ? 'Ground over the main'
              : 'Ground where it comes out'
        }
      />
      <Choice
        label="How it lets the water out"
        value={discharge.form}
        options={[
          { value: 'daylight', label: 'To daylight', note: 'drains dry' },
          { value: 'popup', label: 'Pop-up', note: 'stands full to its lid' },
          { value: 'main', label: 'Into an existing main', note: 'never a sanitary sewer' },
        ]}
        onChoose={(form) => save('Say how it lets out', { form })}
      />
      <Choice
        label="Into"
        value={discharge.receiving}
        options={RECEIVING}
        onChoose={(receiving) => save('Say what takes the water', { receiving })}
      />
      <View style={row}>
        {discharge.form === 'main' && (
          <>
            <QuantityField
              label="The main holds, full"
              usual="not known"
              value={discharge.mainCapacity}
              {...flowEntry(units)}
              optional
              onCommit={(flow) => edit(put('Set what the main holds', without(discharge, 'mainCapacity', flow)))}
            />
            <QuantityField
              label="Others use of it"
              usual="nothing"
              value={discharge.mainUsed}
              {...flowEntry(units)}
              optional
              onCommit={(flow) => edit(put('Set what the main carries', without(discharge, 'mainUsed', flow)))}
            />
          </>
        )}
        {discharge.form !== 'popup' && (
          <QuantityField
            label="Water stands there at"
            usual="falls free"
            value={discharge.standingLevel}
            {...levelEntry(units)}
            optional
            hint="In the design rain"
            onCommit={(level) => edit(put('Set standing water', without(discharge, 'standingLevel', level)))}
          />
        )}
        {discharge.form !== 'popup' && (
          <QuantityField
            label="Lowest the invert may be"
            usual="the ground there"
            value={discharge.controlLevel}
            {...levelEntry(units)}
            optional
            hint={discharge.form === 'main' ? 'Invert of the main' : 'Bottom of the swale, or water that stands in it'}
            onCommit={(controlLevel) => {
              const { controlLevel: _old, ...rest } = discharge;
              return edit(put('Set control level', controlLevel === undefined ? rest : { ...rest, controlLevel }));
            }}
          />
        )}
        <QuantityField
          label="To the nearest building"
          usual="not measured"
          value={discharge.buildingDistance}
          {...distanceEntry(units)}
          optional
          onCommit={(distance) => {
            const { buildingDistance: _old, ...rest } = discharge;
            return edit(
              put(
                'Set distance from building',
                distance === undefined ? rest : { ...rest, buildingDistance: distance },
              ),
            );
          }}
        />
      </View>
    </>
  );
}
