/** What is here besides that is not a drainage contractor's work. */
import { BEYOND_WORDS, headOf, put, type Beyond as Named, type JobElement } from '@katabasis/core';
import { without } from '../../input/without';
import { useJob } from '../../planning/useJob';
import { Ticks } from '../../ui/Ticks';

const OPTIONS = (Object.keys(BEYOND_WORDS) as Named[]).map((value) => ({
  value,
  label: BEYOND_WORDS[value].label,
  testID: `beyond-${value}`,
}));

export function Beyond() {
  const { job, edit } = useJob();
  const head = headOf(job);
  const { beyond = [] } = head;
  const toggle = (value: string): void => {
    const each = value as Named;
    const next = beyond.includes(each) ? beyond.filter((one) => one !== each) : [...beyond, each];
    const to = without({ ...head }, 'beyond', next.length > 0 ? next : undefined) as JobElement;
    edit(put('Say what is here besides', to));
  };
  return <Ticks label="Here besides, for a licensed engineer" options={OPTIONS} ticked={beyond} onToggle={toggle} />;
}
