/** What is read in a pipe in turn: sticks of pitch from its foot up, and what a camera or a rod meets from its head down. */
import { MET, METRES_PER_FOOT, showLength, showPitch, text, type VisitTest } from '@katabasis/core';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { lengthEntry, distanceEntry, type Entry } from '../../../input/entry';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { parsePitch } from '@katabasis/core';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Text } from '../../../ui/Text';
import { useDraft, type Drafted } from './draft';
import { Figure, RunChoice, Written } from './Written';

const STICK = 2 * METRES_PER_FOOT;

/** A stick's pitch: less than nothing where it falls back. */
const stickEntry: Entry = {
  show: (value) => text(showPitch(value)),
  unit: '%',
  inputMode: 'text',
  parse: (typed) => {
    const read = parsePitch(typed);
    if (!read.ok || Math.abs(read.value) <= 0.5) return read;
    return {
      ok: false,
      sentence: 'No pipe lies so steep: write 1, 1% or 1/8 in/ft, with a minus where it falls back.',
    };
  },
};

type Read = Drafted['draft']['list'];

/** What was read so far, each to be taken out again. */
function Listed({ drafted, say }: { drafted: Drafted; say: (read: Read[number], k: number) => string }) {
  const { list } = drafted.draft;
  return (
    <View>
      {list.map((read, k) => (
        <View key={k} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
          <View style={{ flex: 1 }}>
            <Text>{say(read, k)}</Text>
          </View>
          <Button
            label={`Take out: ${say(read, k)}`}
            icon={X}
            iconOnly
            kind="bare"
            onPress={() => drafted.set({ list: list.filter((_, j) => j !== k) })}
          />
        </View>
      ))}
    </View>
  );
}

export function NewPitch() {
  const { units } = useJob();
  const drafted = useDraft('pitch');
  const { of, list, figures } = drafted.draft;
  const stick = figures.stick ?? STICK;
  const test: VisitTest | null =
    of === undefined || list.length === 0
      ? null
      : { type: 'pitch', run: of, stick, pitches: list.map(({ figure }) => figure) };
  return (
    <Written drafted={drafted} test={test} lacks="Say which pipe, and read one stick at least.">
      <RunChoice drafted={drafted} />
      <Fields of={null}>
        <Figure
          drafted={drafted}
          name="stick"
          label="Length of the level"
          entry={lengthEntry(units)}
          usual={text(showLength(STICK, units))}
        />
      </Fields>
      <Text>Stick by stick from the pipe’s foot up.</Text>
      <Listed
        drafted={drafted}
        say={({ figure }, k) =>
          `${text(showLength(k * stick, units))} to ${text(showLength((k + 1) * stick, units))}: ${stickEntry.show(figure)}`
        }
      />
      <Fields key={list.length} of={null}>
        <QuantityField
          label="Next stick"
          value={undefined}
          {...stickEntry}
          optional
          onCommit={(figure) => {
            if (figure !== undefined) drafted.set({ list: [...list, { figure }] });
            return null;
          }}
          testID="next-stick"
        />
      </Fields>
    </Written>
  );
}

const MET_LABELS: Record<(typeof MET)[number], string> = {
  stopped: 'Stopped',
  standing: 'Water stands',
  openJoint: 'Open joint',
  rough: 'Silt or roots',
  nothing: 'Open all along',
};

const isMet = (word: string | undefined): word is (typeof MET)[number] =>
  word !== undefined && (MET as readonly string[]).includes(word);

export function NewCamera() {
  const { units } = useJob();
  const drafted = useDraft('camera');
  const { of, list } = drafted.draft;
  const [found, setFound] = useState<(typeof MET)[number]>('stopped');
  const met = list.flatMap(({ figure, word }) => (isMet(word) ? [{ along: figure, found: word }] : []));
  return (
    <Written
      drafted={drafted}
      test={of === undefined || met.length === 0 ? null : { type: 'camera', run: of, met }}
      lacks="Say which pipe, and what was met in it, or that it is open all along."
    >
      <RunChoice drafted={drafted} />
      <Listed
        drafted={drafted}
        say={({ figure, word }) => `At ${text(showLength(figure, units))}: ${isMet(word) ? MET_LABELS[word] : ''}`}
      />
      <Choice
        label="Met"
        value={found}
        options={MET.map((value) => ({ value, label: MET_LABELS[value] }))}
        onChoose={(next) => setFound(next)}
      />
      <Fields key={list.length} of={null}>
        <QuantityField
          label={found === 'nothing' ? 'Looked as far as, from its head' : 'So far in, from its head'}
          value={undefined}
          {...distanceEntry(units)}
          optional
          onCommit={(figure) => {
            if (figure !== undefined) drafted.set({ list: [...list, { figure, word: found }] });
            return null;
          }}
          testID="met-at"
        />
      </Fields>
    </Written>
  );
}
