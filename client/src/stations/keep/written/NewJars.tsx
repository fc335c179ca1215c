/** Jars side by side: the same water through each over the same soil, how long it takes and what comes through; again and again, on a stopwatch. */
import { JAR_COLOURS, JAR_FILLS, type JarFill, type VisitTest } from '@katabasis/core';
import { FILL_FACTS, fillLabel, watch, type Jar } from '@katabasis/core/visits';
import { useState } from 'react';
import { View } from 'react-native';
import { Fields } from '../../../input/Fields';
import { NameField, QuantityField } from '../../../input/Field';
import { watchEntry } from '../../../input/measuredEntry';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Text } from '../../../ui/Text';
import { BigButton } from '../BigButton';
import { useDraft, type Drafted } from './draft';
import { JarsRanked } from './JarsRanked';
import { useRunningClock } from '../useRunningClock';
import { Written } from './Written';

type Read = Drafted['draft']['list'][number];
type Colour = Jar['colour'];
/** What a visit keeps of one test. */
const MOST_JARS = 12;
const MOST_POURS = 20;
const COLOURS: readonly { value: Colour; label: string }[] = [
  { value: 'clear', label: 'Clear' },
  { value: 'cloudy', label: 'Cloudy' },
  { value: 'muddy', label: 'Muddy' },
];

/** A draft keeps words and figures: a pour is its seconds, and `fill|name|colour`. */
const pourOf = ({ figure, word = '' }: Read): { key: string; jar: Omit<Jar, 'seconds'>; seconds: number } | null => {
  const [fill, name, colour] = word.split('|');
  const known = JAR_FILLS.find((each) => each === fill);
  const shade = JAR_COLOURS.find((each) => each === colour);
  if (!known || !shade) return null;
  return {
    key: `${fill}|${name}`,
    jar: { fill: known, ...(name ? { name } : {}), colour: shade },
    seconds: figure,
  };
};

/** Jars by what is in them, each with all its pours; what came through is the worst of them. */
export function jarsFrom(list: readonly Read[]): Jar[] {
  const jars = new Map<string, Jar>();
  for (const read of list) {
    const pour = pourOf(read);
    if (!pour) continue;
    const known = jars.get(pour.key);
    const worse = known && JAR_COLOURS.indexOf(known.colour) > JAR_COLOURS.indexOf(pour.jar.colour);
    jars.set(pour.key, {
      ...pour.jar,
      colour: worse ? known.colour : pour.jar.colour,
      seconds: [...(known?.seconds ?? []), pour.seconds],
    });
  }
  return [...jars.values()];
}

export function NewJars() {
  const drafted = useDraft('jars');
  const { list, of: soil = '' } = drafted.draft;
  const jars = jarsFrom(list);
  const test: VisitTest | null =
    jars.length > 0 ? { type: 'jars', ...(soil === '' ? {} : { soil }), tries: jars } : null;
  return (
    <Written drafted={drafted} test={test} lacks="Pour through one jar at least.">
      <Text>
        The same soil from here in each, the same water on it. Twice through each tells how much of a difference is
        chance.
      </Text>
      <Fields of={null}>
        <NameField
          label="Soil"
          value={soil}
          optional
          usual="such as silt from the low spot"
          onCommit={(typed) => {
            drafted.set({ of: typed });
            return null;
          }}
        />
      </Fields>
      <Pour drafted={drafted} />
      <JarsRanked jars={jars} />
      {list.length > 0 && (
        <View style={{ flexDirection: 'row' }}>
          <Button
            label={`Take the last out: ${lastWords(list)}`}
            kind="bare"
            onPress={() => drafted.set({ list: list.slice(0, -1) })}
          />
        </View>
      )}
    </Written>
  );
}

function lastWords(list: readonly Read[]): string {
  const pour = pourOf(list.at(-1)!);
  return pour ? `${fillLabel(pour.jar)}, ${watch(pour.seconds)}` : '';
}

/** One pour: which jar, a stopwatch or the figure by hand, and what came through. */
function Pour({ drafted }: { drafted: Drafted }) {
  const { list, figures } = drafted.draft;
  const [fill, setFill] = useState<JarFill>('nonWoven');
  const [name, setName] = useState('');
  const { seconds } = figures;
  const [wrong, setWrong] = useState<string | null>(null);
  const keep = (colour: Colour): void => {
    if (seconds === undefined) return;
    if (fill === 'other' && name === '') return setWrong('Say what is in this jar.');
    const next: Read = { figure: seconds, word: `${fill}|${fill === 'other' ? name : ''}|${colour}` };
    const jars = jarsFrom([...list, next]);
    if (jars.length > MOST_JARS || jars.some((jar) => jar.seconds.length > MOST_POURS))
      return setWrong(
        `A test holds ${MOST_JARS} jars, and each ${MOST_POURS} pours: keep this one, and begin another.`,
      );
    setWrong(null);
    drafted.set({
      list: [...list, next],
      figures: {},
    });
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Choice
        label="In the jar"
        value={fill}
        options={JAR_FILLS.map((value) => ({ value, label: FILL_FACTS[value].label }))}
        onChoose={setFill}
      />
      {fill === 'other' && (
        <Fields of={null}>
          <NameField
            label="What is in it"
            value={name}
            most={80}
            onCommit={(typed) => {
              if (typed.includes('|')) return 'Leave the upright stroke out.';
              setName(typed);
              return null;
            }}
            testID="jar-name"
          />
        </Fields>
      )}
      <Watch drafted={drafted} />
      <Fields key={list.length} of={null}>
        <QuantityField
          label="It took"
          value={seconds}
          {...watchEntry}
          optional
          usual="by the stopwatch, or typed"
          onCommit={(typed) => drafted.figure('seconds', typed)}
          testID="jar-seconds"
        />
      </Fields>
      {seconds !== undefined && <Choice label="What came through" value={null} options={COLOURS} onChoose={keep} />}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}

/** The stopwatch of a pour. It runs on while the phone sleeps or the page is turned. */
function Watch({ drafted }: { drafted: Drafted }) {
  const { figures } = drafted.draft;
  const begun = figures.begun === undefined ? undefined : new Date(figures.begun).toISOString();
  const clock = useRunningClock(begun);
  if (figures.begun === undefined)
    return (
      <BigButton label="Water on" onPress={() => drafted.set({ figures: { begun: Date.now() } })} testID="jar-on" />
    );
  const since = figures.begun;
  return (
    <>
      <Text kind="hero">{watch(clock?.seconds ?? 0)}</Text>
      <BigButton
        label="It is through"
        onPress={() => drafted.set({ figures: { seconds: Math.max(1, Math.round((Date.now() - since) / 1000)) } })}
        testID="jar-through"
      />
    </>
  );
}
