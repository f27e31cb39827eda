/** Kinds that stand in columns as words; every one of them is checked by the database too. */

/** How a screening came in. */
export type ScreeningSource = 'paper' | 'form' | 'nothing changed';

/** What a link lets somebody do. */
export type LinkPurpose = 'screening' | 'day';

/** What a link lets somebody of the staff do. */
export type StaffLinkPurpose = 'invitation' | 'reset';

/** Why a class log could not be taken as it came. */
export type HeldReason = 'not in their hands' | 'unreadable' | 'strangers' | 'not yet';
