/** What fails in a storm: one thing or several, wholly or by a share, from when to when. */
import { useState } from 'react';
import { View } from 'react-native';
import { TextBox } from '../../../input/TextBox';
import type { AskedStorm } from '../../../planning/askedStorm';
import type { Askable } from '../../../planning/storm.worker';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Text } from '../../../ui/Text';
import { Ticks } from '../../../ui/Ticks';

type Failure = AskedStorm['failing'][number];

/** What is stopped up by a share. */
const BY_SHARE = new Set<Failure['kind']>(['blocked', 'stopped', 'worn']);
const SHARES = [
  { value: '1', label: 'Wholly' },
  { value: '0.75', label: 'Three quarters' },
  { value: '0.5', label: 'Half' },
] as const;

const keyOf = ({ kind, id }: Failure): string => `${kind} ${id}`;

interface Props {
  asked: AskedStorm;
  askable: Askable;
  /** s that the storm is followed for. */
  length: number;
  onAsk: (asked: AskedStorm) => void;
}

export function FailingChoices({ asked, askable, length, onAsk }: Props) {
  const [open, setOpen] = useState(false);
  const { failing } = asked;
  const { failures } = askable;
  if (failures.length === 0) return null;
  const ask = (next: readonly Failure[]): void => onAsk({ ...asked, failing: next });
  const toggle = (key: string): void => {
    const found = failures.find(({ failure }) => keyOf(failure) === key);
    const isOn = failing.some((each) => keyOf(each) === key);
    if (isOn) ask(failing.filter((each) => keyOf(each) !== key));
    else if (found) ask([...failing, found.failure]);
  };
  const change = (failure: Failure): void =>
    ask(failing.map((each) => (keyOf(each) === keyOf(failure) ? failure : each)));
  const labelOf = (failure: Failure): string =>
    failures.find((each) => keyOf(each.failure) === keyOf(failure))?.label ?? failure.id;
  return (
    <View style={{ gap: SPACE.m }}>
      {failing.map((failure) => (
        <Failing
          key={keyOf(failure)}
          failure={failure}
          label={labelOf(failure)}
          length={length}
          onChange={change}
          onEnd={() => toggle(keyOf(failure))}
        />
      ))}
      <Button
        label={open ? 'That is all that fails' : failing.length > 0 ? 'Let more fail' : 'Let something fail'}
        kind="line"
        onPress={() => setOpen(!open)}
        testID="storm-fails"
      />
      {open && (
        <Ticks
          label="What fails"
          options={failures.map(({ failure, label }) => ({ value: keyOf(failure), label }))}
          ticked={failing.map(keyOf)}
          onToggle={toggle}
        />
      )}
    </View>
  );
}

interface One {
  failure: Failure;
  label: string;
  length: number;
  onChange: (failure: Failure) => void;
  onEnd: () => void;
}

function Failing({ failure, label, length, onChange, onEnd }: One) {
  const [timed, setTimed] = useState(failure.from !== undefined || failure.to !== undefined);
  return (
    <View style={{ gap: SPACE.s }} testID="failing">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.m }}>
        <View style={{ flex: 1, minWidth: 160 }}>
          <Text kind="strong">{label}</Text>
        </View>
        {!timed && <Button label="From when" kind="bare" onPress={() => setTimed(true)} />}
        <Button label="Mend it" kind="bare" onPress={onEnd} />
      </View>
      {BY_SHARE.has(failure.kind) && (
        <Choice
          label={`How far: ${label}`}
          hideLabel
          value={String(failure.share ?? 1)}
          options={SHARES}
          onChoose={(share) => onChange({ ...failure, share: Number(share) })}
        />
      )}
      {(failure.from ?? 0) >= (failure.to ?? Infinity) && (
        <Text tone="stop" role="alert">
          It is over before it begins: it does not fail at all.
        </Text>
      )}
      {timed && (
        <View style={{ flexDirection: 'row', gap: SPACE.m }}>
          <Minutes label="From" at={failure.from} length={length} onAt={(from) => onChange({ ...failure, from })} />
          <Minutes label="Until" at={failure.to} length={length} onAt={(to) => onChange({ ...failure, to })} />
        </View>
      )}
    </View>
  );
}

interface MinutesProps {
  label: string;
  /** s; none said when absent. */
  at: number | undefined;
  length: number;
  onAt: (at: number | undefined) => void;
}

/** A time in the storm, in minutes from its beginning. */
function Minutes({ label, at, length, onAt }: MinutesProps) {
  const [text, setText] = useState(at === undefined ? '' : String(Math.round(at / 60)));
  const [wrong, setWrong] = useState<string | null>(null);
  const most = Math.round(length / 60);
  const done = (): void => {
    const minutes = text.trim() === '' ? undefined : Number(text);
    if (minutes !== undefined && !(minutes >= 0 && minutes <= most))
      return setWrong(`Minutes into the storm, up to ${most}.`);
    setWrong(null);
    if (minutes !== (at === undefined ? undefined : at / 60)) onAt(minutes === undefined ? undefined : minutes * 60);
  };
  return (
    <View style={{ flex: 1, minWidth: 0 }}>
      <TextBox
        label={label}
        text={text}
        onText={setText}
        onDone={done}
        wrong={wrong}
        unit="min"
        usual={label === 'From' ? '0' : String(most)}
        inputMode="numeric"
      />
    </View>
  );
}
