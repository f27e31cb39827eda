/** Wording: lists as people say them. */
export { capital, listed, listedSentence } from './listed';
