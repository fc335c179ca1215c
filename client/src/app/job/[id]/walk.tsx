export { WalkScreen as default } from '../../../stations/walk/WalkScreen';
