import { lazyPage } from '../lazyPage';

export default lazyPage('JoinScreen');
