import TextField from '@mui/material/TextField';
import type { Voice } from '@/core/plan';
import { FORM_LIMITS } from '@/forms/limits';
import { Claims } from '../fields';

interface Props {
  readonly voice: Voice;
  /** What today is for in the draft's words; they stand until it is said by hand. */
  readonly drafted: string;
  readonly editable: boolean;
  readonly onChange: (more: Partial<Voice>) => void;
}

/** What the class is for, in a line, and what its teacher should know. */
export function VoiceFields({ voice: { purpose, note }, drafted, editable, onChange }: Props) {
  if (!editable)
    return (
      <>
        {(purpose || drafted) && <p className="lead">{purpose || drafted}</p>}
        {note && <p className="note">{note}</p>}
      </>
    );
  return (
    <div className="stack" style={{ marginBottom: 14 }}>
      <TextField
        id="purpose"
        label="What today is for"
        placeholder={drafted || 'Today the hold arrives; keep it light'}
        value={purpose}
        onChange={({ target }) => onChange({ purpose: target.value })}
        helperText={drafted && !purpose ? 'As it is drafted. Say it your way, and it stays.' : undefined}
        slotProps={{ htmlInput: { maxLength: FORM_LIMITS.about } }}
      />
      <Claims text={purpose} onTake={(text) => onChange({ purpose: text })} />
      <TextField
        id="note"
        label="A note to the teacher"
        multiline
        value={note}
        onChange={({ target }) => onChange({ note: target.value })}
        slotProps={{ htmlInput: { maxLength: FORM_LIMITS.logNote } }}
      />
      <Claims text={note} onTake={(text) => onChange({ note: text })} />
    </div>
  );
}
