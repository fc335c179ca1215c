import { later } from '../stations/later';

export default later(() => import('../stations/jobs/PairScreen').then(({ PairScreen }) => PairScreen));
