export { NotFoundScreen as default } from '../stations/jobs/NotFoundScreen';
