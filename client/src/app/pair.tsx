import { later } from '../later';

export default later('PairScreen');
