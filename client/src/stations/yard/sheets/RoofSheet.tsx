/** A roof over a building: its faces, their gutters, and where the downspouts come down. */
import {
  areaOf,
  centreOf,
  distance,
  elementOf,
  freeOf,
  freshId,
  showArea,
  text,
  type Building,
  type Downspout,
  type Element,
  type Place,
  type RoofFace,
} from '@katabasis/core';
import { roofOver, ROOF_FORMS, type Face, type RoofForm } from '@katabasis/core/roofs';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { roofPitchEntry } from '../../../input/entry';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';

const LABELS: Record<RoofForm, { label: string; note: string }> = {
  gable: { label: 'Gable', note: 'two slopes' },
  hip: { label: 'Hip', note: 'a slope to every wall' },
  shed: { label: 'Shed', note: 'one slope' },
};

type Spouts = 'one' | 'two';

interface Props {
  building: string;
  onClose: () => void;
  onGo: (id: string) => void;
}

export function RoofSheet({ building: id, onClose, onGo }: Props) {
  const { job, edit, units } = useJob();
  const building = elementOf(job, 'building', id);
  const [form, setForm] = useState<RoofForm>('gable');
  const [pitch, setPitch] = useState(0.5);
  const [spouts, setSpouts] = useState<Spouts>('one');
  const [wrong, setWrong] = useState<string | null>(null);
  if (!building?.outline) return null;
  const faces = roofOver(building.outline, form);
  const putOn = (): void => {
    if (!faces) return;
    const puts = roofElements(job, building, { faces, pitch, spouts });
    const refused = edit({ label: 'Put a roof on', puts, removes: [] });
    if (refused !== null) return setWrong(refused);
    onGo(id);
  };
  return (
    <Sheet title={`Roof of ${building.name}`} onClose={onClose}>
      <Choice
        label="Its form"
        value={form}
        options={ROOF_FORMS.map((value) => ({ value, ...LABELS[value] }))}
        onChoose={setForm}
      />
      <Fields of={null}>
        <QuantityField
          label="Pitch"
          value={pitch}
          {...roofPitchEntry}
          onCommit={(next) => {
            setPitch(next!);
            return null;
          }}
        />
      </Fields>
      <Choice
        label="Downspouts"
        value={spouts}
        options={[
          { value: 'one', label: 'One for each gutter' },
          { value: 'two', label: 'One at each end of each gutter' },
        ]}
        onChoose={setSpouts}
      />
      {faces ? (
        <>
          <Text>
            {faces.length} {faces.length === 1 ? 'face' : 'faces'}:{' '}
            {faces.map(({ outline }) => text(showArea(areaOf(outline), units))).join(', ')}
          </Text>
          <View style={{ flexDirection: 'row' }}>
            <Button label="Put it on" kind="main" onPress={putOn} testID="roof-done" />
          </View>
        </>
      ) : (
        <Text>
          {form === 'shed'
            ? 'One slope lies over four square walls.'
            : 'This lies over four square walls, or six in the shape of an L.'}{' '}
          Put its faces down one by one instead.
        </Text>
      )}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </Sheet>
  );
}

/** Which way a face looks, as its name says it. */
function facing(middle: Place, { eave: [a, b] }: Face): string {
  const at = { east: (a.east + b.east) / 2 - middle.east, north: (a.north + b.north) / 2 - middle.north };
  const turn = Math.round((Math.atan2(at.east, at.north) * 4) / Math.PI);
  return ['North', 'North-east', 'East', 'South-east', 'South', 'South-west', 'West', 'North-west'][(turn + 8) % 8]!;
}

/** Faces and downspouts of a roof: each downspout at an end of a gutter, taking its share. */
function roofElements(
  job: Parameters<typeof elementOf>[0],
  { name: house, storeys: storey = 1 }: Building,
  { faces, pitch, spouts }: { faces: readonly Face[]; pitch: number; spouts: Spouts },
): Element[] {
  const middle = centreOf(faces.flatMap(({ outline }) => outline));
  const taken = new Set(job.elements.all.flatMap((element) => ('name' in element ? [element.name as string] : [])));
  const called = (name: string): string => {
    const free = freeOf(taken, name);
    taken.add(free);
    return free;
  };
  const made: Downspout[] = [];
  const spoutAt = (place: Place, name: string): Downspout => {
    // Two gutters that end at one corner share a downspout there.
    const there = made.find((each) => distance(each.place!, place) < 0.3);
    if (there) return there;
    const spout: Downspout = {
      id: freshId('ds'),
      kind: 'downspout',
      name: called(name),
      storey,
      size: 'rect2x3',
      groundLevel: 0,
      place,
      levelFrom: 'ground',
    };
    made.push(spout);
    return spout;
  };
  const roof = faces.map((face): RoofFace => {
    const name = facing(middle, face);
    const ends = spouts === 'two' ? face.eave : [face.eave[0]];
    return {
      id: freshId('face'),
      kind: 'roofFace',
      name: called(`${name} face of ${house}`),
      storey,
      outline: face.outline,
      eave: [...face.eave],
      shape: { type: 'outline', pitch },
      feeds: ends.map((place) => ({ to: spoutAt(place, `${name} downspout`).id, share: 1 })),
    };
  });
  return [...made, ...roof];
}
