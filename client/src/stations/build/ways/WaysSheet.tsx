/** How this job is built where builders differ: each question with both sides' reasons, and what the other would change here. */
import { SCHOOL_GROUP_LABELS, SCHOOL_GROUPS, schoolsIn } from '@katabasis/core';
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
  const groups = SCHOOL_GROUPS.map((group) => ({ group, of: schools.filter((school) => school.group === group) }));
  return (
    <View style={{ gap: SPACE.l }}>
      <CompanyWays />
      <View
        style={wide ? { flexDirection: 'row', flexWrap: 'wrap', columnGap: 48, rowGap: SPACE.l } : { gap: SPACE.l }}
      >
        {groups
          .filter(({ of }) => of.length > 0)
          .map(({ group, of }) => (
            <View key={group} style={wide ? { width: 460 } : undefined}>
              <Text kind="heading">{SCHOOL_GROUP_LABELS[group]}</Text>
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
          ))}
      </View>
      <WaysFigures />
    </View>
  );
}
