/** Wording: claims that a plan or a handout must not make. */
export { claimsIn, type Claim } from './claims';
