/** Long section of the route that the chosen thing is on, or of the tightest one. */
import { nameOf } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { deferred } from '../../pace/deferred';
import { useJob } from '../../planning/useJob';
import { LongSection } from '../../drawing/LongSection';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';

/** Long section of the route that the chosen thing is on, or of the tightest one. */
export const Sections = deferred(function Sections({ chosen }: { chosen: string | null }) {
  const { job, plan } = useJob();
  const heads = plan.lines.map((line) => plan.runs[line.runs[0]!]!.from);
  const at =
    chosen === null
      ? null
      : (plan.runs[chosen]?.line ??
        Object.values(plan.runs).find((run) => run.from === chosen || run.to === chosen)?.line);
  const followed = plan.lines.find((line) => line.letter === at);
  const [picked, setPicked] = useState<string | null>(null);
  const from =
    (followed && plan.runs[followed.runs[0]!]!.from) ??
    (picked && heads.includes(picked) ? picked : null) ??
    plan.budgets[0]?.source ??
    heads[0];
  if (!from || !plan.landings[from]) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Long section</Text>
      {!followed && heads.length > 1 && (
        <Choice
          label="From"
          hideLabel
          value={from}
          options={heads.map((id) => ({ value: id, label: nameOf(job, id) }))}
          onChoose={setPicked}
        />
      )}
      <LongSection from={from} />
    </View>
  );
});
