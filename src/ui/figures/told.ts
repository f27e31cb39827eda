import type { Answer } from '@/core/screening';

/** The mark that an instruction to a teacher is shown with: what is not done has the mark of what is left out, whatever it rests on. */
export function markOf(told: { readonly mark: 'not this' | 'adapt' | 'watch' }): Answer {
  return told.mark === 'not this' ? 'leave out' : told.mark;
}
