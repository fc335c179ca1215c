import { lazyPage } from '../lazyPage';
import { JobsScreen } from '../stations/jobs/JobsScreen';

const Today = lazyPage('TodayJobs', null);

export default function Jobs() {
  return <JobsScreen today={<Today />} />;
}
