export type { Bar } from './bars';
export { liesElsewhere } from './elsewhere';
export type { Asked, NotHere } from './ends';
export {
  AIMS,
  proposalsFor,
  proposalsOf,
  reworked,
  withFreshIds,
  type Aim,
  type Proposal,
  type Proposals,
} from './proposals';
export { Moving, type Grip, type Moved, type Through } from './through';
export { throughSaid, type ThroughSaid } from './throughWords';
export { cutOffWords, lackWords, proposalSaid, type ProposalSaid } from './words';
export { cheapestFrom } from './trenchGrid';
