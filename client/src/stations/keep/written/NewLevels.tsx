/** Inverts read again: by the level and its rod, as on the dig sheet, or typed as levels. */
import { nameOf, showLevel, text } from '@katabasis/core';
import { View } from 'react-native';
import { levelEntry } from '../../../input/entry';
import { Fields } from '../../../input/Fields';
import { useJob } from '../../../planning/useJob';
import { Choice } from '../../../ui/Choice';
import { fieldRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';
import { useDraft } from './draft';
import { Figure, Written } from './Written';

/** Ticked where they are typed as levels. */
const BY_LEVEL = 'level';

export function NewLevels() {
  const { job, plan, units } = useJob();
  const drafted = useDraft('levels');
  const { figures, ticks } = drafted.draft;
  const byRod = !ticks.includes(BY_LEVEL);
  const { known, back } = figures;
  const sight = known === undefined || back === undefined ? null : known + back;
  const laid = Object.values(plan.landings).filter(({ invert }) => invert !== null);
  const levelOf = (id: string): number | undefined => {
    if (!byRod) return figures[id];
    const rod = figures[`rod ${id}`];
    return rod === undefined || sight === null ? undefined : sight - rod;
  };
  const read = laid.flatMap(({ id }) => {
    const level = levelOf(id);
    return level === undefined ? [] : [{ at: id, level }];
  });
  return (
    <Written
      drafted={drafted}
      test={read.length > 0 ? { type: 'levels', read } : null}
      lacks={byRod && sight === null ? 'Say a known level and the rod on it first.' : 'Read one invert at least.'}
    >
      <Choice
        label="Read by"
        value={byRod ? 'rod' : BY_LEVEL}
        options={[
          { value: 'rod', label: 'Level and rod' },
          { value: BY_LEVEL, label: 'Levels as they are' },
        ]}
        onChoose={(by) => drafted.set({ ticks: by === 'rod' ? [] : [BY_LEVEL] })}
      />
      <Fields key={byRod ? 'rod' : 'level'} of={null}>
        {byRod && (
          <>
            <View style={fieldRow}>
              <Figure
                drafted={drafted}
                name="known"
                label="A known level"
                entry={levelEntry(units)}
                usual="above the job’s zero"
                testID="known-level"
              />
              <Figure
                drafted={drafted}
                name="back"
                label="Rod on it"
                entry={levelEntry(units)}
                usual="not read"
                testID="known-rod"
              />
            </View>
            {sight !== null && <Text>Line of sight at {text(showLevel(sight, units))}.</Text>}
          </>
        )}
        <View style={fieldRow}>
          {laid.map(({ id }) => (
            <Figure
              key={id}
              drafted={drafted}
              name={byRod ? `rod ${id}` : id}
              label={byRod ? `Rod in ${nameOf(job, id)}` : nameOf(job, id)}
              entry={levelEntry(units)}
              usual="not read"
              testID={`read-${id}`}
            />
          ))}
        </View>
      </Fields>
      {byRod && read.length > 0 && (
        <Text>{read.map(({ at, level }) => `${nameOf(job, at)}: ${text(showLevel(level, units))}`).join('; ')}.</Text>
      )}
    </Written>
  );
}
