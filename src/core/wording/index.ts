/** Wording: claims that a plan or a handout must not make. */
export { claimsIn } from './claims';
export { listed, listedSentence } from './listed';
