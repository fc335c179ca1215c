export { NewJobScreen as default } from '../stations/jobs/NewJobScreen';
