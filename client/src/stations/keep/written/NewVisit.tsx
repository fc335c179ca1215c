/** A visit of any kind, written down as it is found. Every field may be left: what was not looked at says nothing. */
import { elementOf, groundInlets, ofKind, type VisitTest, type VisitType } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { Fields } from '../../../input/Fields';
import { hoursEntry, smallEntry } from '../../../input/entry';
import { gritEntry, rainDepthEntry, watchEntry } from '../../../input/measuredEntry';
import { fieldRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';
import { Ticks } from '../../../ui/Ticks';
import { useDraft } from './draft';
import { Figure, RunChoice, Written } from './Written';
import { NewJars } from './NewJars';
import { NewLevels } from './NewLevels';
import { NewCamera, NewPitch } from './NewInPipe';

export type NewType = Exclude<VisitType, 'hose' | 'drainDown'>;

/** m of water that stands, at most. */
const MOST_WATER = 3;

function NewRain() {
  const { job, units } = useJob();
  const drafted = useDraft('rain');
  const { figures } = drafted.draft;
  const places = groundInlets(job);
  const [depth, hours] = [figures.depth, figures.hours];
  const stood = places.flatMap(({ id }) => {
    const deep = figures[`at ${id}`];
    const gone = figures[`gone ${id}`];
    return deep === undefined ? [] : [{ at: id, depth: deep, ...(gone === undefined ? {} : { gone }) }];
  });
  const test: VisitTest | null = depth && hours ? { type: 'rain', depth, hours, stood } : null;
  return (
    <Written
      drafted={drafted}
      test={test}
      lacks="How much rain fell, and in how long, is needed: all else is judged by it."
    >
      <Fields of={null}>
        <View style={fieldRow}>
          <Figure
            drafted={drafted}
            name="depth"
            label="Rain in the gauge"
            entry={rainDepthEntry(units)}
            usual="or in a straight bucket"
            testID="rain-depth"
          />
          <Figure
            drafted={drafted}
            name="hours"
            label="It fell in"
            entry={hoursEntry}
            usual="hours"
            testID="rain-hours"
          />
        </View>
        <Text kind="heading">What stood, at its highest</Text>
        <Text kind="small">Zero where the ground stayed clear; left empty where nobody looked.</Text>
        {places.map(({ id, name }) => (
          <View key={id} style={fieldRow}>
            <Figure
              drafted={drafted}
              name={`at ${id}`}
              label={`Over ${name}`}
              entry={smallEntry(units, 0, MOST_WATER, 'Water stands')}
              usual="not looked at"
              testID={`stood-${id}`}
            />
            {figures[`at ${id}`] !== undefined && figures[`at ${id}`]! > 0 && (
              <Figure
                drafted={drafted}
                name={`gone ${id}`}
                label="Gone after the rain, h"
                entry={hoursEntry}
                usual="not seen"
              />
            )}
          </View>
        ))}
        {places.length === 0 && <Text>No basin or channel drain is here: say in words what you saw.</Text>}
      </Fields>
    </Written>
  );
}

function NewHold() {
  const { job, units } = useJob();
  const drafted = useDraft('hold');
  const { of, figures } = drafted.draft;
  const [drop, seconds] = [figures.drop, figures.seconds];
  const run = of === undefined ? undefined : elementOf(job, 'run', of);
  const whole = run !== undefined && drop !== undefined && seconds !== undefined;
  return (
    <Written
      drafted={drafted}
      test={whole ? { type: 'hold', run: run.id, drop, seconds } : null}
      lacks="Say which pipe, how far its water fell, and in how long."
    >
      <Text>Plug the pipe at its foot, fill it to its head, mark the water, and wait.</Text>
      <RunChoice drafted={drafted} />
      <Fields of={null}>
        <View style={fieldRow}>
          <Figure
            drafted={drafted}
            name="drop"
            label="It fell"
            entry={smallEntry(units, 0, 5, 'Water falls')}
            usual="0 where it held"
          />
          <Figure drafted={drafted} name="seconds" label="In" entry={watchEntry} usual="such as 10 min" />
        </View>
      </Fields>
    </Written>
  );
}

function NewClean() {
  const { job, units } = useJob();
  const drafted = useDraft('clean');
  const { figures, ticks } = drafted.draft;
  const places = [...ofKind(job, 'basin'), ...ofKind(job, 'junction').filter(({ form }) => form === 'sedimentTrap')];
  const sumps = places.flatMap(({ id }) => {
    const grit = figures[id];
    if (grit === undefined && !ticks.includes(id)) return [];
    return [{ at: id, grit: grit ?? 0, ...(ticks.includes(id) ? { leaves: true } : {}) }];
  });
  return (
    <Written
      drafted={drafted}
      test={sumps.length > 0 ? { type: 'clean', sumps } : null}
      lacks="Say of one basin at least what was scooped out: 0 where there was nothing."
    >
      <Text>What was scooped out of each says when it is due again.</Text>
      <Fields of={null}>
        <View style={fieldRow}>
          {places.map(({ id, name }) => (
            <Figure
              key={id}
              drafted={drafted}
              name={id}
              label={name}
              entry={gritEntry(units)}
              usual="not emptied"
              testID={`grit-${id}`}
            />
          ))}
        </View>
      </Fields>
      {places.length > 0 && (
        <Ticks
          label="Leaves lay on the grate"
          options={places.map(({ id, name }) => ({ value: id, label: name }))}
          ticked={ticks}
          onToggle={(id) =>
            drafted.set({ ticks: ticks.includes(id) ? ticks.filter((each) => each !== id) : [...ticks, id] })
          }
        />
      )}
      {places.length === 0 && <Text>Nothing here has a sump.</Text>}
    </Written>
  );
}

function NewLook() {
  const drafted = useDraft('look');
  return (
    <Written
      drafted={drafted}
      test={drafted.draft.note.trim() === '' ? null : { type: 'look' }}
      lacks="Say in words what you saw."
    >
      <Text>A look, with nothing measured. Photos can be put to it once it is kept.</Text>
    </Written>
  );
}

export function NewVisit({ type }: { type: NewType }) {
  switch (type) {
    case 'rain':
      return <NewRain />;
    case 'levels':
      return <NewLevels />;
    case 'hold':
      return <NewHold />;
    case 'pitch':
      return <NewPitch />;
    case 'camera':
      return <NewCamera />;
    case 'clean':
      return <NewClean />;
    case 'jars':
      return <NewJars />;
    case 'look':
      return <NewLook />;
  }
}
