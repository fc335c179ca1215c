/** The sill that an inlet protects, and the level at which water that it does not take runs off clear of it. */
import { put, showLength, text, type Basin, type Channel } from '@katabasis/core';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { lengthEntry, levelEntry } from '../../input/entry';
import { without } from '../../input/without';
export function SillFields({ inlet }: { inlet: Basin | Channel }) {
  const { edit, units, plan } = useJob();
  const set = (
    label: string,
    key: 'sillLevel' | 'spillLevel' | 'spillLength',
    value: number | undefined,
  ): string | null => edit(put(label, without(inlet, key, value)));
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
      {inlet.sillLevel !== undefined && inlet.spillLevel !== undefined && (
        <QuantityField
          label="Length of that edge"
          usual={`${text(showLength(plan.settings.spillLength, units))}, usual`}
          value={inlet.spillLength}
          {...lengthEntry(units)}
          optional
          onCommit={(value) => set('Set how long the edge is', 'spillLength', value)}
          hint="What crosses it stands on it by its own head"
        />
      )}
    </>
  );
}
