/** The long section of a route from a landing down. */
import { controlLevel, elementOf, nameOf, routeOf, sectionOf, type Plan } from '@katabasis/core';
import { memo, useDeferredValue, useMemo } from 'react';
import { useJob, usePreview } from '../planning/useJob';
import { useYard } from '../planning/useYard';
import { SectionPicture } from './SectionPicture';

export function LongSection({ from }: { from: string }) {
  return <SectionOf from={from} plan={useDeferredValue(usePreview()).plan} />;
}

const SectionOf = memo(function SectionOf({ from, plan }: { from: string; plan: Plan }) {
  const { job } = useJob();
  const route = useMemo(() => routeOf(plan, from), [plan, from]);
  const ids = useMemo(() => route.map(({ id }) => id), [route]);
  const { answer: over, behind } = useYard(job, 'over', ids);
  const section = useMemo(() => {
    // Straight between landings until the ground between them is there.
    const ground = new Map(behind || !over ? [] : ids.map((id, k) => [id, over[k]!] as const));
    return sectionOf(plan, route, (id) => ground.get(id) ?? []);
  }, [plan, route, ids, over, behind]);
  const foot = elementOf(job, 'discharge', section.landings.at(-1)?.id ?? '');
  const control = foot ? controlLevel(foot, plan.settings) : null;
  return (
    <SectionPicture
      section={section}
      control={control}
      from={nameOf(job, from)}
      to={nameOf(job, section.landings.at(-1)?.id ?? from)}
    />
  );
});
