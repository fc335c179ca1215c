/** Pages for the crew and the customer behind links that nobody guesses: made, copied, withdrawn. */
import type { Audience } from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { offices, sharesKey, useShares } from '../../files/offices';
import { Said } from '../../parts/Said';
import { useAttempt } from '../../parts/useAttempt';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { AcceptedOffers } from './AcceptedOffers';
import { useOffering } from './AllTheSame';

const FOR: Record<Audience, string> = { crew: 'the crew', customer: 'the customer', keeper: 'who looks after it' };

const DAYS = [
  { value: '7', label: 'A week' },
  { value: '30', label: '30 days' },
  { value: '365', label: 'A year' },
  { value: 'ever', label: 'As long as it is' },
] as const;
const sayMoment = (at: string): string =>
  new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

export function ShareLinks() {
  const { job } = useJob();
  const shares = useShares(job.id);
  const { offer, asking } = useOffering();
  const queries = useQueryClient();
  const [link, setLink] = useState<{ audience: Audience; address: string } | null>(null);
  const [days, setDays] = useState<(typeof DAYS)[number]['value']>('30');
  const { said, attempt } = useAttempt();
  const change = async (work: () => Promise<void>): Promise<void> => {
    if (await attempt(work)) await queries.invalidateQueries({ queryKey: sharesKey(job.id) });
  };
  const make = (audience: Audience): Promise<void> =>
    change(async () => {
      const address = new URL(
        await offices.share(job.id, audience, days === 'ever' ? null : Number(days)),
        window.location.href,
      ).href;
      setLink({ audience, address });
      await navigator.clipboard?.writeText(address).catch(() => undefined);
    });
  const standing = (shares.data ?? []).filter(({ withdrawnAt }) => withdrawnAt === null);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">To read by a link</Text>
      <Text kind="small">
        Whoever has the link reads the job as it stands at the server, and changes nothing. The crew sees how deep and
        with what; the customer what is done and its price, and may accept it there and ask. Neither sees what it costs
        you.
      </Text>
      <Choice label="The link is good for" value={days} options={DAYS} onChoose={setDays} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="A link for the crew" onPress={() => void make('crew')} testID="share-crew" />
        <Button
          label="A link for the customer"
          onPress={() => offer(() => void make('customer'))}
          testID="share-customer"
        />
      </View>
      {asking}
      {link !== null && (
        <View role="status">
          <Text>For {FOR[link.audience]}, shown this once; it is on the clipboard where the device allows that:</Text>
          <Text selectable testID="share-link">
            {link.address}
          </Text>
        </View>
      )}
      <Said said={said} />
      <AcceptedOffers />
      {standing.map(({ id, audience, madeAt, until }) => (
        <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m, flexWrap: 'wrap' }}>
          <Text>
            For {FOR[audience]}, made {sayMoment(madeAt)}
            {until === null ? '' : `, good until ${sayMoment(until)}`}
          </Text>
          <Button
            label="Withdraw"
            onPress={() => void change(() => offices.withdrawShare(job.id, id))}
            testID="withdraw-share"
          />
        </View>
      ))}
    </View>
  );
}
