import type { Role } from '../src/core/staff';

/** The demo's staff. Passwords are shown on the sign-in page, in demo mode only. */
export const DEMO_STAFF: readonly { readonly name: string; readonly email: string; readonly role: Role; readonly password: string }[] = [
  { name: 'Linnet Harrow', email: 'linnet@pellwick.example', role: 'director', password: 'tide-table-one' },
  { name: 'Corin Vasey', email: 'corin@pellwick.example', role: 'lead teacher', password: 'tide-table-two' },
  { name: 'Tamsin Brae', email: 'tamsin@pellwick.example', role: 'teacher', password: 'tide-table-three' },
  { name: 'Odo Fenwick', email: 'odo@pellwick.example', role: 'front desk', password: 'tide-table-four' },
  { name: 'Brid Olney', email: 'brid@pellwick.example', role: 'teacher', password: 'tide-table-five' },
];
