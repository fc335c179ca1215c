/** The fall budget of every way out, each opened to its working. */
import { budgetWorking, type FallBudget, type Job, type Plan } from '@katabasis/core';
import { memo, useDeferredValue, useState } from 'react';
import { deferred } from '../../pace/deferred';
import { usePreview } from '../../planning/useJob';
import { FallBudgetBar } from '../../drawing/FallBudgetBar';
import { WorkingPanel } from '../../parts/WorkingPanel';

export const Budget = deferred(function Budget({ onGo }: { onGo: (id: string) => void }) {
  const { job, plan } = useDeferredValue(usePreview());
  return <Budgets job={job} plan={plan} onGo={onGo} />;
});

const Budgets = memo(function Budgets({ onGo, ...shown }: { job: Job; plan: Plan; onGo: (id: string) => void }) {
  return (
    <>
      {shown.plan.budgets.map((budget) => (
        <OneBudget key={budget.discharge} {...shown} budget={budget} onGo={onGo} />
      ))}
    </>
  );
});

function OneBudget({
  job,
  plan,
  budget,
  onGo,
}: {
  job: Job;
  plan: Plan;
  budget: FallBudget;
  onGo: (id: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const working = open ? budgetWorking(job, plan, budget.discharge) : null;
  if (working) return <WorkingPanel working={working} onBack={() => setOpen(false)} />;
  return <FallBudgetBar plan={plan} budget={budget} onPress={() => setOpen(true)} onStretch={onGo} />;
}
