/** The list of jobs, asked for and read before the schemas of what a job holds are there. */
import { isJobList, type JobList, type JobQuery } from '@katabasis/core/first';
import { ask, asSearch, NOT_READ, Unreachable } from './ask';

export const listApi = {
  jobs: async (query: JobQuery = {}): Promise<JobList> => {
    const response = await ask('GET', `/jobs${asSearch(query)}`);
    const list: unknown = await response.json().catch(() => null);
    if (!isJobList(list)) throw new Unreachable(NOT_READ);
    return list;
  },
};
