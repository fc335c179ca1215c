/** The company's own figures: how fast it works, what things cost it, which kinds of job earn, and a year on a page. */
import { inOneCurrency } from '@katabasis/core/ledger';
import { useMemo } from 'react';
import { useLedger } from '../../sync/records';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { OutOfReach } from '../OutOfReach';
import { KindsOfJob } from './figures/KindsOfJob';
import { OwnPaces } from './figures/OwnPaces';
import { OwnRates } from './figures/OwnRates';
import { Years } from './figures/Years';
import { SidePage } from './SidePage';

const BACK = { label: 'Company', to: '/company' };

export function FiguresScreen() {
  const ledger = useLedger();
  const { data } = ledger;
  const { jobs, currency, others } = useMemo(() => inOneCurrency(data?.jobs ?? []), [data]);
  const entries = useMemo(() => jobs.map(({ entry }) => entry), [jobs]);
  return (
    <SidePage title="Own figures" back={BACK}>
      {ledger.isPending && <Notice title="Reading" />}
      {ledger.isError && (
        <OutOfReach
          error={ledger.error}
          rest={
            data ? 'This is as it was when it was last read.' : 'Own figures have not been read on this device yet.'
          }
          onRetry={() => void ledger.refetch()}
        />
      )}
      {data && data.pending > 0 && (
        <Text kind="small" role="status">
          {data.pending === 1 ? 'One job is' : `${data.pending} jobs are`} still being worked out.
        </Text>
      )}
      {data && jobs.length === 0 && (
        <Notice title="No job has told yet how it came out">
          Say in a job’s Keep, under How it came out, how long its steps took, what it cost and what was asked: your own
          paces, rates and the year stand here then.
        </Notice>
      )}
      {others.length > 0 && (
        <Text kind="small">
          Jobs in {others.join(' and ')} are left out: amounts of two currencies are not added up.
        </Text>
      )}
      {jobs.length > 0 && (
        <>
          <Years jobs={jobs} currency={currency} />
          <KindsOfJob entries={entries} />
          <OwnPaces entries={entries} />
          <OwnRates entries={entries} currency={currency} />
        </>
      )}
    </SidePage>
  );
}
