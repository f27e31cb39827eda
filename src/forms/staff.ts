import { array, boolean, object, ref, string } from 'yup';
import { ROLES } from '@/core/staff';
import { FORM_LIMITS } from './limits';
import { clock, day, family, id, line, once, oneOf, optionalDay, optionalId, version } from './rules';

/** Time zones a studio may be in. */
export const ZONES: readonly string[] = [...Intl.supportedValuesOf('timeZone'), 'UTC'];

const email = () =>
  string()
    .trim()
    .lowercase()
    .required('Please give an e-mail address.')
    .max(FORM_LIMITS.email, `At most ${FORM_LIMITS.email} characters.`)
    .email('An e-mail address such as name@studio.example.');

const password = () =>
  string()
    .required('Please choose a password.')
    .min(FORM_LIMITS.password.least, `At least ${FORM_LIMITS.password.least} characters: a few words are easy to keep.`)
    .max(FORM_LIMITS.password.most, `At most ${FORM_LIMITS.password.most} characters.`);

const again = () =>
  string()
    .required('Please type it once more.')
    .oneOf([ref('password')], 'This is not the same as above.');

const families = () =>
  array()
    .of(object({ family: family(), since: optionalDay() }))
    .max(FORM_LIMITS.lines * 2)
    .required();

export const inviteForm = object({
  once: once(),
  name: line('the name', FORM_LIMITS.name),
  email: email(),
  role: oneOf(ROLES),
  families: families(),
});

/** Somebody of the staff, as they were seen. */
export const staffSeenForm = object({ staff: id(), version: version() });

export const staffRoleForm = staffSeenForm.shape({ role: oneOf(ROLES) });

export const qualificationsForm = staffSeenForm.shape({ families: families() });

/** The first page of a studio of one's own. */
export const beginForm = object({
  code: line('the code that was shown', FORM_LIMITS.name),
  studio: line('the studio a name', FORM_LIMITS.name),
  zone: string()
    .required('Please choose where the studio is.')
    .test('zone', 'There is no such time zone.', (zone) => ZONES.includes(zone)),
  name: line('your name', FORM_LIMITS.name),
  email: email(),
  password: password(),
  again: again(),
});

/** A password is chosen by a link. */
export const choosePasswordForm = object({ password: password(), again: again() });

export const resetForm = object({ email: email() });

export const ownNameForm = object({ version: version(), name: line('your name', FORM_LIMITS.name) });

export const ownPasswordForm = object({
  version: version(),
  current: string().required('Please give your password as it is now.').max(FORM_LIMITS.password.most),
  password: password(),
  again: again(),
});

/** Days away, or hours of one day. */
export const awayForm = object({
  once: once(),
  /** Somebody else, where the director says it for them. */
  staff: optionalId(),
  from: day('the first day'),
  until: day('the last day').test(
    'order',
    'The last day is before the first.',
    (value, { parent }) => !value || !parent.from || value >= (parent.from as string),
  ),
  fromTime: clockOrNot('the hour it begins'),
  untilTime: clockOrNot('the hour it ends').test('after', 'It ends before it begins.', (value, { parent }) => {
    const { fromTime } = parent as { fromTime?: string | null };
    return !value || !fromTime || value > fromTime;
  }),
}).test('hours', '', (value, context) => {
  if (Boolean(value.fromTime) !== Boolean(value.untilTime))
    return context.createError({ path: value.fromTime ? 'untilTime' : 'fromTime', message: 'Give both hours, or neither for whole days.' });
  if (value.fromTime && value.from !== value.until)
    return context.createError({ path: 'until', message: 'Hours are of one day: let it end on the day it begins.' });
  return true;
});

export const awayGoneForm = object({ id: id() });

function clockOrNot(what: string) {
  return string()
    .nullable()
    .default(null)
    .transform((value: unknown) => (value === '' ? null : value))
    .test('clock', 'A time such as 18:30.', (value) => value == null || clock(what).isValidSync(value));
}

/** A calendar's file: closed days of the studio, or when somebody of the staff cannot teach. */
export const calendarFileForm = object({
  once: once(),
  text: string().required('Please choose a file.'),
  as: oneOf(['closures', 'busy'] as const),
});

/** A calendar address: one's own classes, or the whole studio's. */
export const feedForm = object({ whole: boolean().required() });
