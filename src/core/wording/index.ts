/** Wording: claims that a plan or a handout must not make. */
export { claimsIn } from './claims';
export { capital, listed, listedSentence } from './listed';
