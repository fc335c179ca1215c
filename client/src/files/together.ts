/** What is asked of the server of working together: who is at a job, who has it open, mine today, and news. */
import { crewSchema, othersSchema, todaySchema, toldSchema, type Crew, type Today, type Told } from '@katabasis/core';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { read } from '../sync/api';
import { ask } from '../sync/ask';
import { CREW_KEY, TODAY_KEY } from '../sync/keys';

const OFTEN_MS = 60_000;
export const crewKey = (job: string) => [...CREW_KEY, job] as const;

export const together = {
  crew: (job: string): Promise<Crew> => read(crewSchema, ask('GET', `/jobs/${job}/crew`)),
  give: async (job: string, person: string, days: { from: string | null; to: string | null }): Promise<void> =>
    void (await ask('PUT', `/jobs/${job}/crew/${person}`, days)),
  takeAway: async (job: string, person: string): Promise<void> =>
    void (await ask('DELETE', `/jobs/${job}/crew/${person}`)),
  here: async (job: string): Promise<string[]> => (await read(othersSchema, ask('POST', `/jobs/${job}/here`))).others,
  left: async (job: string): Promise<void> => void (await ask('DELETE', `/jobs/${job}/here`)),
  today: (on: string): Promise<Today> => read(todaySchema, ask('GET', `/today?on=${on}`)),
  told: (): Promise<Told> => read(toldSchema, ask('GET', '/told')),
  readTo: async (number: number): Promise<void> => void (await ask('POST', '/told/read', { number })),
};

/** Jobs with people on them from today on. Put by on the device: who has no signal in the morning sees what was given them before. */
export function useToday(today: string): UseQueryResult<Today> {
  return useQuery({
    queryKey: TODAY_KEY,
    queryFn: () => together.today(today),
    select: ({ jobs, fresh }) => ({ fresh, jobs: jobs.filter(({ to }) => to >= today) }),
    staleTime: 0,
    refetchInterval: OFTEN_MS,
  });
}

export const useCrew = (job: string): UseQueryResult<Crew> =>
  useQuery({ queryKey: crewKey(job), queryFn: () => together.crew(job), staleTime: 0 });
