/** Whole plans proposed for the site: laid out, sized, priced and held against one another; one is taken by a tap, and what was drawn is kept aside. */
import { money, showLength, showPitch, showSmall } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { findProposals } from '../../../planning/proposals';
import type { ProposalsTold, ProposalTold } from '../../../planning/proposals.worker';
import { useJob } from '../../../planning/useJob';
import { useWorked } from '../../../planning/useWorked';
import { useStyles, useWide } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Figure } from '../../../ui/Figure';
import { Mark } from '../../../ui/Mark';
import { figureRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';
import { useGo } from '../../useGo';
import { ProposalPicture } from './ProposalPicture';

const make = (palette: Palette) => ({
  card: { borderTopWidth: 3, borderTopColor: palette.ink, paddingTop: SPACE.m, gap: SPACE.m },
  told: { flexDirection: 'row' as const, gap: SPACE.s, alignItems: 'flex-start' as const },
});

export function ProposedSheet() {
  const { job } = useJob();
  const worked = useWorked<ProposalsTold | { refused: string }>([job], (signal, give) =>
    findProposals(job, signal, give).catch((error: unknown) =>
      give({ refused: error instanceof Error ? error.message : String(error) }),
    ),
  );
  const [chosen, setChosen] = useState<ProposalTold['aim']>('cost');
  if (worked && 'refused' in worked)
    return (
      <Text tone="stop" role="alert">
        {worked.refused}
      </Text>
    );
  const found = worked?.found ?? [];
  const proposal = found.find(({ aim }) => aim === chosen) ?? found[0];
  return (
    <View style={{ gap: SPACE.l, maxWidth: 1100 }} testID="proposals">
      <Text>
        Lines from every inlet and low place that has none to a way out, by what a trench costs where it goes: round
        houses, walls and trunks, over paving, roots and services only where that is cheaper. Each is sized, priced and
        judged like a plan that you draw.
      </Text>
      {worked?.missing.map((sentence) => (
        <View key={sentence} style={{ flexDirection: 'row', gap: SPACE.s }}>
          <Mark kind="mind" />
          <View style={{ flex: 1 }}>
            <Text>{sentence}</Text>
          </View>
        </View>
      ))}
      {!worked?.isOver && (
        <Text role="status">
          {worked && worked.done > 0 ? `${worked.done} ways are laid out; others are tried.` : 'Looking for the lines.'}
        </Text>
      )}
      {found.length > 1 && proposal && (
        <Choice
          label="Proposals"
          hideLabel
          value={proposal.aim}
          options={found.map(({ aim, label }) => ({ value: aim, label }))}
          onChoose={setChosen}
        />
      )}
      {proposal && <Proposal key={proposal.aim} proposal={proposal} first={found[0]!} />}
    </View>
  );
}

function Proposal({ proposal, first }: { proposal: ProposalTold; first: ProposalTold }) {
  const styles = useStyles(make);
  const wide = useWide();
  const { job, plan } = useJob();
  return (
    <View style={styles.card} testID={`proposal-${proposal.aim}`}>
      <View style={wide ? { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' } : { gap: SPACE.m }}>
        <View style={wide ? { flex: 1, minWidth: 0 } : undefined}>
          <ProposalPicture {...{ job, plan, proposal }} beside={proposal === first ? null : first} />
          {proposal !== first && <Text kind="small">Dashed: {first.label}</Text>}
        </View>
        <View style={{ gap: SPACE.m, ...(wide ? { flex: 1, minWidth: 0 } : {}) }}>
          <Words proposal={proposal} />
          <Take proposal={proposal} />
        </View>
      </View>
    </View>
  );
}

function Words({ proposal }: { proposal: ProposalTold }) {
  const styles = useStyles(make);
  const { units } = useJob();
  const { label, why, asked, currency, hours, pipe, deepest, leastPitch, verdict, cutOff } = proposal;
  return (
    <>
      <Text kind="heading">{label}</Text>
      <View style={figureRow}>
        <Figure label="Price" shown={{ value: money(asked, currency), unit: '' }} size="hero" />
        <Figure label="Pipe" shown={showLength(pipe, units)} />
        {deepest !== null && <Figure label="Deepest trench" shown={showSmall(deepest, units)} />}
        {leastPitch !== null && <Figure label="Least pitch" shown={showPitch(leastPitch)} />}
        <Figure label="Crew" shown={{ value: String(Math.round(hours)), unit: 'h' }} />
      </View>
      <View style={styles.told}>
        <Mark kind={verdict.state} />
        <View style={{ flex: 1 }}>
          <Text kind="strong">{verdict.sentence}</Text>
        </View>
      </View>
      {[...why, ...(cutOff === null ? [] : [cutOff])].map((sentence) => (
        <Text key={sentence}>{sentence}</Text>
      ))}
    </>
  );
}

function Take({ proposal }: { proposal: ProposalTold }) {
  const { edit } = useJob();
  const go = useGo();
  const [wrong, setWrong] = useState<string | null>(null);
  const take = (): void => {
    const refused = edit(proposal.change);
    setWrong(refused);
    if (refused === null) go('plan', null);
  };
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      <Button label="Take this plan" kind="main" onPress={take} testID="take-proposal" />
      <Text kind="small">What is drawn now is kept aside as an option, and one undo takes this back.</Text>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}
