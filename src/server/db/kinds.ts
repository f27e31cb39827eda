/** Kinds that stand in columns as words; every one of them is checked by the database too. */

/** How a screening came in. */
export type ScreeningSource = 'paper' | 'form' | 'nothing changed';

/** What a link lets somebody do. */
export type LinkPurpose = 'screening' | 'day';

/** What a link lets somebody of the staff do. */
export type StaffLinkPurpose = 'invitation' | 'reset';

/** Why a class log could not be taken as it came. */
export type HeldReason = 'not in their hands' | 'unreadable' | 'strangers' | 'not yet';

/** What somebody tries from outside: each kind is counted by itself, so that no trouble with one shuts out another. */
export type AttemptKind = 'begin' | 'sign in' | 'own password' | 'new password' | 'join' | 'form' | 'day' | 'sign up' | 'signed up' | 'calendar';
