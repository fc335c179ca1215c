export { JobsScreen as default } from '../stations/jobs/JobsScreen';
