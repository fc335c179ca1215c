/** How this job is built where builders differ: each question with both sides' reasons, and what the other would change here. */
import { SCHOOL_GROUP_LABELS, SCHOOL_GROUPS, schoolsIn, type SchoolGroup } from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { useWide } from '../../../theme/theme';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import { CompanyWays } from './CompanyWays';
import { SchoolRow } from './SchoolRow';
import { useDifferences } from './useDifferences';
import { WaysFigures } from './WaysFigures';

export function WaysSheet() {
  const { job } = useJob();
  const wide = useWide();
  const [open, setOpen] = useState<string | null>(null);
  const schools = useMemo(() => schoolsIn(job), [job]);
  const differences = useDifferences(schools);
  const columns: SchoolGroup[][] = wide
    ? [
        ['built', 'pipe'],
        ['drain', 'ends', 'work'],
      ]
    : [[...SCHOOL_GROUPS]];
  const group = (name: SchoolGroup) => {
    const of = schools.filter((school) => school.group === name);
    if (of.length === 0) return null;
    return (
      <View key={name}>
        <Text kind="heading">{SCHOOL_GROUP_LABELS[name]}</Text>
        {of.map((school) => (
          <SchoolRow
            key={school.id}
            school={school}
            differences={differences}
            open={open === school.id}
            onToggle={() => setOpen((now) => (now === school.id ? null : school.id))}
          />
        ))}
      </View>
    );
  };
  return (
    <View style={{ gap: SPACE.l }}>
      <CompanyWays />
      <View style={{ flexDirection: 'row', gap: 48, alignItems: 'flex-start' }}>
        {columns.map((names) => (
          <View key={names.join()} style={{ flex: 1, minWidth: 0, maxWidth: 640, gap: SPACE.l }}>
            {names.map(group)}
          </View>
        ))}
      </View>
      <WaysFigures />
    </View>
  );
}
