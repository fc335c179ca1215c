export { AIMS, proposalsFor, proposalsOf, withFreshIds, type Aim, type Proposal, type Proposals } from './proposals';
export { cutOffWords, lackWords, proposalSaid, type ProposalSaid } from './words';
