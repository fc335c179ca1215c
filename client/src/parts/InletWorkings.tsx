import { inletWorking, type InletPlan, type InletQuantity } from '@katabasis/core';
import { useState, type ReactNode } from 'react';
import { useJob } from '../planning/useJob';
import { WorkingPanel } from './WorkingPanel';
interface Props {
  id: string;
  children: (inlet: InletPlan, ask: (quantity: InletQuantity) => void) => ReactNode;
}

export function InletWorkings({ id, children }: Props) {
  const { job, plan } = useJob();
  const [asked, setAsked] = useState<InletQuantity | null>(null);
  const inlet = plan.inlets[id];
  const working = asked && inletWorking(job, plan, id, asked);
  if (!inlet) return null;
  return working ? <WorkingPanel working={working} onBack={() => setAsked(null)} /> : <>{children(inlet, setAsked)}</>;
}
