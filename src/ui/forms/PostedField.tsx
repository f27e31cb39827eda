import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { problemAt, type Sent } from './posted';

/** A field of a form that is posted: what was typed stands in it again, and what is wrong below it. */
export function PostedField({ sent, name, helperText, ...rest }: TextFieldProps & { readonly sent: Sent; readonly name: string }) {
  const wrong = problemAt(sent, name);
  return (
    <TextField id={name} name={name} defaultValue={sent.typed[name] ?? ''} error={wrong !== undefined} helperText={wrong ?? helperText} {...rest} />
  );
}
