export { curesOf, type Cure, type CureTried } from './cures';
