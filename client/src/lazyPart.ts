/**
 * All that is fetched after the list of jobs stands: one part, so that nothing of it is fetched with the list. Asked for while the list
 * is read, and kept on the device.
 */
export { headOf, jobFrom } from '@katabasis/core';
export { api } from './sync/api';
export { quillfeather as sample } from '@katabasis/core/sample';
export { beginLookRound } from './stations/lookRoundKept';
export { readJob, saveJob } from './files/jobFile';
export { planHere } from './planning/planner';
export { freeJobName, listenForOthers, startJob } from './sync/sessions';
export { CompanyScreen } from './stations/jobs/CompanyScreen';
export { BinScreen } from './stations/jobs/BinScreen';
export { DevicesScreen } from './stations/jobs/DevicesScreen';
export { HistoryScreen } from './stations/jobs/HistoryScreen';
export { NewJobScreen } from './stations/jobs/NewJobScreen';
export { NewsScreen } from './stations/jobs/NewsScreen';
export { TodayJobs } from './stations/jobs/TodayJobs';
export { PairScreen } from './stations/jobs/PairScreen';
export { FiguresScreen } from './stations/jobs/FiguresScreen';
export { RoundsScreen } from './stations/jobs/RoundsScreen';
export { AuditScreen } from './stations/people/AuditScreen';
export { JoinScreen } from './stations/people/JoinScreen';
export { PeopleScreen } from './stations/people/PeopleScreen';
export { ServerScreen } from './stations/people/ServerScreen';
export { SignInScreen } from './stations/people/SignInScreen';
export { YouScreen } from './stations/people/YouScreen';
export { JobLayout } from './stations/JobLayout';
