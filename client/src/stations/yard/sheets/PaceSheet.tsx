/** Pacing a house out, wall by wall. */
import { parseLength, put, showLength, text } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { degreesEntry } from '../../../input/entry';
import { TextBox } from '../../../input/TextBox';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';
import { NOT_PACED, useTyped, type PaceDraft } from '../doing';
import { Closing, Walked } from './PaceWalk';
import { homeward, houseOf, paced } from './pacing';

interface Props {
  draft: PaceDraft;
  onDraft: (next: (now: PaceDraft) => PaceDraft) => void;
  onClose: () => void;
  onGo: (id: string) => void;
}

const RIGHT = Math.PI / 2;
type Turn = 'right' | 'left' | 'other';

/** As walked, drawn from the corner that was tapped. */
const withPlaces = (draft: PaceDraft): PaceDraft => ({
  ...draft,
  places: draft.start ? paced(draft.start, draft.first, draft.walls).places : [],
});

export function PaceSheet({ draft: now, onDraft, onClose, onGo }: Props) {
  const { job, edit, units } = useJob();
  const [typed, setTyped] = useTyped(job.id, 'wall');
  const [turn, setTurn] = useState<Turn>('right');
  const [angle, setAngle] = useState(RIGHT / 2);
  const [wrong, setWrong] = useState<string | null>(null);
  const anew = (): void => onDraft(() => NOT_PACED);
  if (!now.start) return <FirstCorner onDraft={onDraft} onClose={onClose} />;
  const { start, first, walls } = now;
  const walk = paced(start, first, walls);
  const by = turn === 'right' ? RIGHT : turn === 'left' ? -RIGHT : angle;
  const home = homeward(start, first, walls, by);
  const add = (length: number): void => {
    onDraft((was) => withPlaces({ ...was, walls: [...was.walls, { length, turn: was.walls.length === 0 ? 0 : by }] }));
    setTyped('');
    setWrong(null);
  };
  const done = (): void => {
    const house = houseOf(job, walk.corners);
    const refused = edit(put('Pace out a house', house));
    if (refused !== null) return setWrong(refused);
    anew();
    onGo(house.id);
  };
  return (
    <Sheet
      title="Pace out a house"
      over={`${walls.length} ${walls.length === 1 ? 'wall' : 'walls'} walked`}
      onClose={onClose}
    >
      <Fields of={null}>
        {walls.length === 0 ? (
          <QuantityField
            label="The first wall runs"
            value={first}
            {...degreesEntry}
            hint="0° is up the plan, 90° to the right"
            onCommit={(next) => {
              onDraft((was) => withPlaces({ ...was, first: next! }));
              return null;
            }}
          />
        ) : (
          <NextTurn turn={turn} onTurn={setTurn} angle={angle} onAngle={setAngle} />
        )}
        <NextWall
          count={walls.length}
          closes={walk.closes}
          typed={typed}
          onTyped={setTyped}
          wrong={wrong}
          onWrong={setWrong}
          onWalk={add}
        />
      </Fields>
      {home !== null && !walk.closes && (
        <View style={{ flexDirection: 'row' }}>
          <Button
            label={`Back to the start: ${text(showLength(home, units))}`}
            onPress={() => add(home)}
            testID="pace-home"
          />
        </View>
      )}
      {walls.length >= 3 && <Closing walk={walk} />}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {walk.closes && <Button label="That is the house" kind="main" onPress={done} testID="pace-done" />}
        {walls.length > 0 && (
          <Button
            label="One wall back"
            onPress={() => onDraft((was) => withPlaces({ ...was, walls: was.walls.slice(0, -1) }))}
          />
        )}
        <Button label="Begin anew" kind="bare" onPress={anew} />
      </View>
      <Walked walls={walls} />
    </Sheet>
  );
}

/** Before the first wall: where the walk begins. */
function FirstCorner({ onDraft, onClose }: Pick<Props, 'onDraft' | 'onClose'>) {
  return (
    <Sheet title="Pace out a house" onClose={onClose}>
      <Text kind="strong">Tap the corner that you start from; any place will do for the first house.</Text>
      <View style={{ flexDirection: 'row' }}>
        <Button
          label="Start in the middle"
          kind="main"
          onPress={() => onDraft((was) => withPlaces({ ...was, start: { east: 0, north: 0 } }))}
          testID="pace-start"
        />
      </View>
    </Sheet>
  );
}

interface NextWallProps {
  /** Walls walked. */
  count: number;
  closes: boolean;
  typed: string;
  onTyped: (next: string) => void;
  wrong: string | null;
  onWrong: (sentence: string | null) => void;
  /** Of a length in m. */
  onWalk: (length: number) => void;
}

function NextWall({ count, closes, typed, onTyped, wrong, onWrong, onWalk }: NextWallProps) {
  const { units } = useJob();
  const wall = (): void => {
    const parsed = parseLength(typed, units);
    if (!parsed.ok) return onWrong(parsed.sentence);
    if (!(parsed.value > 0) || parsed.value > 1000) return onWrong('A wall is longer than nothing.');
    onWalk(parsed.value);
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-end', flexWrap: 'wrap', gap: SPACE.s }}>
      <View style={{ flexGrow: 1, flexBasis: 150 }}>
        <TextBox
          label={`Wall ${count + 1}`}
          text={typed}
          onText={(next) => {
            onTyped(next);
            onWrong(null);
          }}
          onSubmit={wall}
          unit={units === 'us' ? 'ft' : 'm'}
          wrong={wrong}
          testID="pace-length"
        />
      </View>
      <Button label="Walk it" kind={closes ? 'line' : 'main'} onPress={wall} testID="pace-wall" />
    </View>
  );
}

/** Which way the next wall goes on from the last. */
function NextTurn({
  turn,
  onTurn,
  angle,
  onAngle,
}: {
  turn: Turn;
  onTurn: (turn: Turn) => void;
  angle: number;
  onAngle: (angle: number) => void;
}) {
  return (
    <>
      <Choice
        label="Then turn"
        value={turn}
        options={[
          { value: 'right', label: 'Right' },
          { value: 'left', label: 'Left' },
          { value: 'other', label: 'By degrees' },
        ]}
        onChoose={onTurn}
      />
      {turn === 'other' && (
        <QuantityField
          label="Right is more than 0°, left is less"
          value={angle}
          {...degreesEntry}
          onCommit={(next) => {
            onAngle(next!);
            return null;
          }}
        />
      )}
    </>
  );
}
