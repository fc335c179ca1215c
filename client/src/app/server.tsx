import { lazyPage } from '../lazyPage';

export default lazyPage('ServerScreen');
