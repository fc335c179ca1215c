/** The bars of the rain with what plays the storm: its telling times, a step, and where motion is wanted play and speed. */
import StepBack from 'lucide-react-native/icons/step-back';
import StepForward from 'lucide-react-native/icons/step-forward';
import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import { View } from 'react-native';
import type { StormSoFar } from '../../../planning/storms';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { RainBars } from './RainBars';
import { wantsStills, type Playback, type Speed } from './usePlayback';

const SPEED_WORDS: readonly { value: Speed; label: string }[] = [
  { value: 'slow', label: 'Slow' },
  { value: 'usual', label: 'Usual' },
  { value: 'fast', label: 'Fast' },
];

export function Player({ storm, playback }: { storm: StormSoFar; playback: Playback }) {
  const { frames, seen, outcome } = storm;
  const { shown, plays, setAt, setPlays, speed, setSpeed } = playback;
  const moments = outcome?.moments ?? [];
  const put = (at: number): void => {
    setPlays(false);
    setAt(Math.max(0, Math.min(frames.length - 1, at)));
  };
  const stills = wantsStills();
  const stands = moments.find(({ at }) => at === shown);
  return (
    <View style={{ gap: SPACE.m }}>
      <RainBars
        rains={frames.map(({ rain }) => rain)}
        times={frames.map(({ time }) => time)}
        length={seen.length}
        at={shown}
        onAt={put}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'center' }}>
        {!stills && (
          <Button
            label={plays ? 'Pause' : 'Play'}
            icon={plays ? Pause : Play}
            kind="main"
            onPress={() => {
              if (!plays && shown >= frames.length - 1) setAt(0);
              setPlays(!plays);
            }}
            testID="storm-play"
          />
        )}
        <Button label="A step back" icon={StepBack} kind="line" iconOnly onPress={() => put(shown - 1)} />
        <Button label="A step on" icon={StepForward} kind="line" iconOnly onPress={() => put(shown + 1)} />
        {!stills && plays && <Choice label="Speed" hideLabel value={speed} options={SPEED_WORDS} onChoose={setSpeed} />}
      </View>
      {moments.length > 1 && (
        <Choice
          label="Telling times"
          value={stands ? String(stands.at) : null}
          options={moments.map(({ label, at }) => ({ value: String(at), label }))}
          onChoose={(at) => put(Number(at))}
        />
      )}
    </View>
  );
}
