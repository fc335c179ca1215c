import { later } from '../stations/later';

export default later(() => import('../stations/jobs/BinScreen').then(({ BinScreen }) => BinScreen));
