/** The proposals' figures side by side. */
import { money, showLength, showPitch, showSmall, text } from '@katabasis/core';
import { View } from 'react-native';
import type { ProposalTold } from '../../../planning/proposals.worker';
import { useJob } from '../../../planning/useJob';
import { useStyles } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Mark } from '../../../ui/Mark';
import { Text } from '../../../ui/Text';

const make = (palette: Palette) => ({
  row: {
    flexDirection: 'row' as const,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    paddingVertical: SPACE.xs,
    gap: SPACE.s,
  },
  cell: { flex: 1, minWidth: 0 },
});

export function SideBySide({ found }: { found: readonly ProposalTold[] }) {
  const styles = useStyles(make);
  const { units } = useJob();
  const rows: { title: string; of: (proposal: ProposalTold) => string }[] = [
    { title: 'Price', of: ({ asked, currency }) => money(asked, currency) },
    { title: 'Pipe', of: ({ pipe }) => text(showLength(pipe, units)) },
    { title: 'Crew', of: ({ hours }) => `${Math.round(hours)} h` },
    { title: 'Deepest', of: ({ deepest }) => (deepest === null ? '–' : text(showSmall(deepest, units))) },
    { title: 'Least pitch', of: ({ leastPitch }) => (leastPitch === null ? '–' : text(showPitch(leastPitch))) },
    { title: 'To mend', of: ({ stops, fixes }) => String(stops + fixes) },
  ];
  return (
    <View role="table" aria-label="Proposals side by side" testID="side-by-side">
      <View style={styles.row} role="row">
        <View style={styles.cell} />
        {found.map(({ aim, label, verdict }) => (
          <View key={aim} style={[styles.cell, { gap: SPACE.xs }]} role="columnheader">
            <Mark kind={verdict.state} />
            <Text kind="strong">{label}</Text>
          </View>
        ))}
      </View>
      {rows.map(({ title, of }) => (
        <View key={title} style={styles.row} role="row">
          <View style={styles.cell} role="rowheader">
            <Text kind="small">{title}</Text>
          </View>
          {found.map((proposal) => (
            <View key={proposal.aim} style={styles.cell} role="cell">
              <Text>{of(proposal)}</Text>
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}
