/** Whole plans proposed for the site: laid out, sized, priced and held against one another; one is taken by a tap, and what was drawn is kept aside. */
import { distance, money, showLength, showPitch, showSmall, type Place } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { ledBy } from '../../../planning/proposals';
import type { ProposalTold } from '../../../planning/proposals.worker';
import { useJob } from '../../../planning/useJob';
import { useStyles, useWide } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Figure } from '../../../ui/Figure';
import { Mark } from '../../../ui/Mark';
import { figureRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';
import { Ticks } from '../../../ui/Ticks';
import { useGo } from '../../useGo';
import { InStorms } from './InStorms';
import { ProposalPicture } from './ProposalPicture';
import { SideBySide } from './SideBySide';
import { TouchedPanel } from './TouchedPanel';
import { usePlans, type Plans } from './usePlans';
import { useTouched } from './useTouched';

const make = (palette: Palette) => ({
  card: { borderTopWidth: 3, borderTopColor: palette.ink, paddingTop: SPACE.m, gap: SPACE.m },
  told: { flexDirection: 'row' as const, gap: SPACE.s, alignItems: 'flex-start' as const },
});

export function ProposedSheet() {
  const plans = usePlans();
  const [chosen, setChosen] = useState<ProposalTold['aim']>('cost');
  const { told, refused, found } = plans;
  if (refused !== null)
    return (
      <Text tone="stop" role="alert">
        {refused}
      </Text>
    );
  const proposal = found.find(({ aim }) => aim === chosen) ?? found[0];
  return (
    <View style={{ gap: SPACE.l, maxWidth: 1100 }} testID="proposals">
      {told?.missing.map((sentence) => (
        <View key={sentence} style={{ flexDirection: 'row', gap: SPACE.s }}>
          <Mark kind="mind" />
          <View style={{ flex: 1 }}>
            <Text>{sentence}</Text>
          </View>
        </View>
      ))}
      <Looking plans={plans} />
      {plans.unfit && (
        <Text role="status">Lines that were moved do not fit what is laid out now, and lie as proposed.</Text>
      )}
      {found.length > 1 && proposal && (
        <Choice
          label="Proposals"
          hideLabel
          value={proposal.aim}
          options={found.map(({ aim, label, asked, currency }) => ({
            value: aim,
            label,
            figure: money(asked, currency),
          }))}
          onChoose={setChosen}
        />
      )}
      {proposal && <Proposal key={proposal.aim} proposal={proposal} plans={plans} />}
      {found.length > 1 && <SideBySide found={found} />}
      <LeadOff plans={plans} />
      <Text kind="small">
        Lines from every inlet and low place that has none to a way out, by what a trench costs where it goes: round
        houses, walls and trunks, over paving, roots and services only where that is cheaper. Each plan is sized, priced
        and judged like one that you draw.
      </Text>
    </View>
  );
}

/** How far the looking has come, and what ends it. */
function Looking({ plans: { told, stopped, stop } }: { plans: Plans }) {
  if (told?.isOver) return null;
  const many = told?.done ?? 0;
  const tried = many === 1 ? 'One way is laid out' : `${many} ways are laid out`;
  if (stopped)
    return <Text role="status">{`${many > 0 ? tried : 'Nothing is laid out'}; no more are looked for.`}</Text>;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'center' }}>
      <Text role="status">{many > 0 ? `${tried}; others are tried.` : 'Looking for the lines.'}</Text>
      <Button label="Stop looking" kind="line" onPress={stop} testID="stop-looking" />
    </View>
  );
}

/** What the plans lead off: all of it, or only what is ticked. */
function LeadOff({ plans: { told, asked, ask } }: { plans: Plans }) {
  const all = told?.couldBe ?? [];
  if (all.length < 2) return null;
  return (
    <Ticks
      label="These are led off. Untick what stays as it is."
      options={all.map(({ id, name, isNew }) => ({
        value: id,
        label: isNew ? `${name} (new)` : name,
        testID: `lead-${id}`,
      }))}
      ticked={all.flatMap(({ id }) => (asked.leaveOut.includes(id) ? [] : [id]))}
      onToggle={(id) =>
        ask((now) => ({
          ...now,
          leaveOut: now.leaveOut.includes(id) ? now.leaveOut.filter((each) => each !== id) : [...now.leaveOut, id],
        }))
      }
    />
  );
}

function Proposal({ proposal, plans }: { proposal: ProposalTold; plans: Plans }) {
  const styles = useStyles(make);
  const wide = useWide();
  const { job, plan } = useJob();
  const touching = useTouched(proposal, plans.moved);
  const first = plans.told!.found[0]!;
  const isFirst = proposal.aim === first.aim && !proposal.isMoved;
  return (
    <View style={styles.card} testID={`proposal-${proposal.aim}`}>
      <View style={wide ? { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' } : { gap: SPACE.m }}>
        <View style={[{ gap: SPACE.s }, wide ? { flex: 1, minWidth: 0 } : null]}>
          <ProposalPicture
            {...{ job, plan, proposal, touching }}
            beside={isFirst ? null : first}
            notHere={plans.asked.notHere}
          />
          {!isFirst && (
            <Text kind="small">{`Dashed: ${first.label}${proposal.isMoved ? ' as proposed' : ''}. Grey: the same in both.`}</Text>
          )}
          <TouchedPanel
            touching={touching}
            isMoved={proposal.isMoved}
            ends={fixedEnds(proposal)}
            onBack={() => plans.back(proposal.aim)}
            onOnly={(id) => void ledBy(proposal.aim, id).then(plans.only)}
            onNotHere={(patch) => plans.ask((now) => ({ ...now, notHere: [...now.notHere, patch] }))}
            onAllow={(at) =>
              plans.ask((now) => ({
                ...now,
                notHere: now.notHere.filter(
                  ({ place, reach }) => Math.hypot(place.east - at.east, place.north - at.north) > reach,
                ),
              }))
            }
          />
        </View>
        <View style={{ gap: SPACE.m, ...(wide ? { flex: 1, minWidth: 0 } : {}) }}>
          <Words proposal={proposal} />
          <InStorms proposal={proposal} wanted={plans.stopped || plans.told?.isOver === true} />
          <Take proposal={proposal} onTaken={plans.taken} />
        </View>
      </View>
    </View>
  );
}

/** Where new lines begin and end that are not joined there only as it suits them. */
const fixedEnds = ({ lines, marks }: ProposalTold): Place[] =>
  lines
    .flatMap(({ way, isNew }) => (isNew ? [way[0]!, way.at(-1)!] : []))
    .filter((end) => !marks.some((mark) => distance(mark, end) < 0.01));

function Words({ proposal }: { proposal: ProposalTold }) {
  const styles = useStyles(make);
  const { units } = useJob();
  const { label, why, asked, currency, hours, pipe, deepest, leastPitch, verdict, cutOff, isMoved } = proposal;
  return (
    <>
      <Text kind="heading">{isMoved ? `${label}, with lines moved` : label}</Text>
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

function Take({ proposal, onTaken }: { proposal: ProposalTold; onTaken: () => void }) {
  const { edit } = useJob();
  const go = useGo();
  const [wrong, setWrong] = useState<string | null>(null);
  const take = (): void => {
    const refused = edit(proposal.change);
    setWrong(refused);
    if (refused !== null) return;
    onTaken();
    go('plan', null);
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
