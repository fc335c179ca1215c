/** The snags of a job, worst first, each with what mends it. */
import { snagKey, tellSnag, type Snag } from '@katabasis/core';
import { memo, useCallback, useMemo } from 'react';
import { View } from 'react-native';
import { deferred } from '../../pace/deferred';
import { InSight } from '../../pace/inSight';
import { useJob, type OpenJob } from '../../planning/useJob';
import { Text } from '../../ui/Text';
import { SnagItem } from '../../parts/SnagItem';

export const Snags = deferred(function Snags({ onGo }: { onGo: (id: string) => void }) {
  const { plan } = useJob();
  return (
    <View role="region" aria-label="Snags">
      <Text kind="heading">Snags</Text>
      {plan.snags.length > 0 && (
        <Text kind="small">Stop: do not dig this. Fix: mend it first. Mind: look at it on site.</Text>
      )}
      {plan.snags.length === 0 && (
        <Text tone="soft">None found by the checks in this version. Look at the site with your own eyes as well.</Text>
      )}
      {plan.snags.map((snag, place) => (
        <SnagRow key={snagKey(snag)} id={snagKey(snag)} ahead={place < AHEAD} onGo={onGo} />
      ))}
    </View>
  );
});

/** Of so many snags the fixes are sought before they are scrolled to; of hundreds that would go on for minutes. */
const AHEAD = 12;

interface SnagRowProps {
  id: string;
  ahead: boolean;
  onGo: (id: string) => void;
}

const SnagRow = memo(function SnagRow(props: SnagRowProps) {
  const { id } = props;
  const said = useCallback((open: OpenJob): string => told(open, id), [id]);
  return (
    <InSight tall={150} said={said}>
      <SnagOf {...props} />
    </InSight>
  );
});

const snagIn = ({ plan }: OpenJob, id: string): Snag | undefined => plan.snags.find((snag) => snagKey(snag) === id);

/** All that is said of a snag, as one text. */
function told(open: OpenJob, id: string): string {
  const snag = snagIn(open, id);
  return snag ? JSON.stringify([snag.severity, tellSnag(open.job, open.plan, snag)]) : '';
}

/** A snag as it is in the job that is drawn here, which may be behind the list. */
function SnagOf({ id, ...how }: SnagRowProps) {
  const open = useJob();
  const snag = useMemo(() => snagIn(open, id), [open, id]);
  return snag ? <SnagItem snag={snag} {...how} /> : null;
}
