import { object, string } from 'yup';
import { FORM_LIMITS } from './limits';

export const signInForm = object({
  email: string().trim().required('Please give your e-mail.').max(FORM_LIMITS.email).email('An e-mail address such as name@studio.example.'),
  password: string().required('Please give your password.').max(FORM_LIMITS.email),
});
