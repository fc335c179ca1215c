/** Where a thing lies on the ground plan, in figures, and the way to put it there by hand. */
import {
  areaOf,
  bearing,
  distance,
  isLanding,
  kindOf,
  placesOf,
  put,
  putDown,
  showArea,
  showLength,
  text,
  wayLength,
  wayOfRun,
  type Element,
  type Place,
} from '@katabasis/core';
import MapPin from 'lucide-react-native/icons/map-pin';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { QuantityField } from '../input/Field';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { fieldRow } from '../ui/rows';
import { Crossings } from './Crossings';
import { PUT } from './yardAddress';
import { Text } from '../ui/Text';
import { levelEntry } from '../input/entry';

interface Props {
  element: Element;
  onGo: (id: string) => void;
}

/** Words of a bearing: `N 40° E` said as `40° right of north`. */
const degrees = (radians: number): string => `${Math.round((radians * 180) / Math.PI)}°`;

export function OnThePlan({ element, onGo }: Props) {
  const { job, edit, units } = useJob();
  const { shape } = kindOf(element.kind);
  const [open, setOpen] = useState(false);
  const way = element.kind === 'run' ? wayOfRun(job, element) : null;
  if (element.kind === 'run') return way ? <RunOnPlan run={element} way={way} /> : null;
  if (shape === undefined) return null;
  const places = placesOf(element);
  const said =
    places.length === 0
      ? 'Not on the ground plan yet.'
      : shape === 'outline'
        ? `${places.length} corners, ${text(showArea(areaOf(places), units))}`
        : shape === 'way'
          ? `${text(showLength(wayLength(places), units))} long`
          : '';
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">On the ground plan</Text>
      {said !== '' && <Text>{said}</Text>}
      {places.length > 0 && isLanding(element) && (
        <Choice
          label="Its level"
          value={element.levelFrom ?? 'typed'}
          options={[
            { value: 'ground', label: 'Off the ground there' },
            { value: 'typed', label: 'As typed' },
          ]}
          onChoose={(from) => {
            const { levelFrom: _was, ...rest } = element;
            edit(
              put('Say where its level is from', (from === 'ground' ? { ...rest, levelFrom: from } : rest) as Element),
            );
          }}
        />
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          label={places.length === 0 ? 'Put it on the plan' : shape === 'place' ? 'Put it elsewhere' : 'Draw it anew'}
          icon={MapPin}
          onPress={() => onGo(PUT + element.id)}
          testID="put-on-plan"
        />
        {places.length > 0 && (
          <Button label={open ? 'Hide its figures' : 'Its figures'} kind="bare" onPress={() => setOpen(!open)} />
        )}
      </View>
      {open && <Corners element={element} />}
    </View>
  );
}

/** Places of an element, each to be typed. */
function Corners({ element }: { element: Element }) {
  const { edit, units } = useJob();
  const { shape } = kindOf(element.kind);
  const places = placesOf(element);
  const least = shape === 'outline' ? 3 : shape === 'way' ? 2 : 1;
  const save = (label: string, next: readonly Place[]): string | null => edit(put(label, putDown(element, next)));
  const move = (k: number, next: Partial<Place>): string | null =>
    save(
      'Move it',
      places.map((place, at) => (at === k ? { ...place, ...next } : place)),
    );
  const take = (k: number): void =>
    void save(
      'Take a corner out',
      places.filter((_, at) => at !== k),
    );
  return (
    <>
      {places.map((place, k) => (
        <View key={k} style={{ gap: SPACE.xs }}>
          {shape !== 'place' && (
            <Text kind="small">
              {`Corner ${k + 1}`}
              {k + 1 < places.length || shape === 'outline'
                ? `, then ${text(showLength(distance(place, places[(k + 1) % places.length]!), units))} at ${degrees(bearing(place, places[(k + 1) % places.length]!))}`
                : ''}
            </Text>
          )}
          <View style={fieldRow}>
            <QuantityField
              label="East"
              name={`east ${k}`}
              value={place.east}
              {...levelEntry(units)}
              onCommit={(east) => move(k, { east: east! })}
            />
            <QuantityField
              label="North"
              name={`north ${k}`}
              value={place.north}
              {...levelEntry(units)}
              onCommit={(north) => move(k, { north: north! })}
            />
            {places.length > least && <Button label="Take this corner out" kind="bare" onPress={() => take(k)} />}
          </View>
        </View>
      ))}
    </>
  );
}

function RunOnPlan({ run, way }: { run: Extract<Element, { kind: 'run' }>; way: readonly Place[] }) {
  const { edit, units } = useJob();
  const onPlan = wayLength(way);
  const bend = (): void => {
    // In the middle of the longest stretch: there a finger has most room to take hold of it.
    const k = way
      .slice(1)
      .reduce((best, place, at) => (distance(way[at]!, place) > distance(way[best]!, way[best + 1]!) ? at : best), 0);
    const bends = [...(run.bends ?? [])];
    bends.splice(k, 0, { east: (way[k]!.east + way[k + 1]!.east) / 2, north: (way[k]!.north + way[k + 1]!.north) / 2 });
    edit(put('Add a bend', { ...run, bends }));
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Crossings run={run} />
      <Choice
        label={`Its length; on the plan ${text(showLength(onPlan, units))}`}
        value={run.lengthFrom ?? 'taped'}
        options={[
          { value: 'plan', label: 'By the plan' },
          { value: 'taped', label: 'As taped', note: text(showLength(run.length, units)) },
        ]}
        onChoose={(from) => {
          const { lengthFrom: _was, ...rest } = run;
          edit(put('Say where its length is from', from === 'plan' ? { ...rest, lengthFrom: from } : rest));
        }}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="Add a bend" onPress={bend} />
        {(run.bends?.length ?? 0) > 0 && (
          <Button
            label="Straighten it"
            kind="bare"
            onPress={() => {
              const { bends: _gone, ...rest } = run;
              edit(put('Straighten it', rest));
            }}
          />
        )}
      </View>
    </View>
  );
}
