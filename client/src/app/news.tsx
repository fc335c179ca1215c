import { lazyPage } from '../lazyPage';

export default lazyPage('NewsScreen');
