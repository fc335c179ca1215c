import { jobFrom, planJob, type Job } from '@katabasis/core';
import { givesWaySaid, whatGivesWay } from '@katabasis/core/simulation';
import { quillfeather, situations } from '@katabasis/core/samples';
import { fireEvent, screen } from '@testing-library/react';
import { openJob, press, seen } from '../../testing/openJob';
import { CaseList } from './CaseList';
import { LayerTable } from './LayerTable';
import type { Asked } from './asked';
import { useState } from 'react';

const found = (job: Job) => givesWaySaid(job, whatGivesWay(job, planJob(job)));

describe('what gives way first', () => {
  function List({ job }: { job: Job }) {
    const [asked, setAsked] = useState<Asked | null>(null);
    const [said] = useState(() => found(job));
    return <CaseList found={said} asked={asked} onAsk={setAsked} />;
  }

  it('on a phone tells case by case what gives way, and opens to the layers and to what stands behind one', () => {
    const job = quillfeather();
    openJob(jobFrom('test', job.elements.all), <List job={job} />);
    expect(screen.getByTestId('case-ordinary')).toHaveTextContent('Every layer takes all.');
    expect(screen.getByTestId('case-blocked')).toHaveTextContent(/Grates and stone: passes [\d.]+\sgal/);
    fireEvent.click(screen.getByTestId('case-blocked'));
    press(/^Grates and stone: passes/, 'button');
    expect(screen.getByRole('region', { name: 'How it comes about' })).toHaveTextContent(
      /Kennel door drain: ([\d.]+)\sgal comes, 0\.0\sgal is taken, \1\sgal goes on over the ground/,
    );
    press('Back', 'button');
    expect(screen.queryByRole('region', { name: 'How it comes about' })).toBeNull();
  });

  it('at a desk is a table whose every cell says its layer, its case and what it does', () => {
    const { job } = situations()['layers with a berm, a swale and a drain']!;
    const asked: (Asked | null)[] = [];
    openJob(
      jobFrom('test', job.elements.all),
      <LayerTable found={found(job)} asked={null} onAsk={(next) => asked.push(next)} />,
    );
    expect(screen.getAllByRole('row').length).toBeGreaterThan(4);
    press(/^Swales and culverts, Rarer rain: /, 'button');
    expect(asked).toEqual([{ layer: 'swales', case: 'rarer' }]);
    expect(seen()).toContain('Berms');
  });
});
