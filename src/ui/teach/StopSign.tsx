import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import type { ClassView } from '@/views/teach';
import type { MarkedSign, Run } from './run';
import { Toggle } from './Toggle';
import styles from './Teach.module.css';

interface Props {
  readonly room: ClassView;
  readonly run: Run;
  readonly mark: MarkedSign;
  readonly edit: (more: Partial<MarkedSign>) => void;
  readonly onClose: () => void;
}

/** A stop sign in class: who and what in two taps, what to do and whom to call in large letters. It was marked as it was opened; this says more of it. */
export function StopSign({ room, run, mark, edit, onClose }: Props) {
  const { person, sign, slip } = mark;
  const help = sign !== null && room.helpSigns.includes(sign);
  const name = room.people.find(({ id }) => id === person)?.name;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" slotProps={{ paper: { 'aria-label': 'Stop sign' } }}>
      <DialogContent className={`stack ${styles.panel}`} data-help={help ? '' : undefined}>
        <p className={styles.todo} role="status">
          {help
            ? 'Call the emergency services now. Stay with them; everybody else breathes as they like.'
            : 'Let go, breathe as you like. Stay with them until it is over.'}
        </p>
        <p className="soft">The class is paused. {room.emergency}</p>
        <h2>{name && sign ? `${name}: ${sign}` : 'Who, and what?'}</h2>
        <div className={styles.chips} role="group" aria-label="Who">
          {room.people
            .filter(({ id }) => !run.away.includes(id))
            .map((one) => (
              <Toggle key={one.id} on={person === one.id} onPress={() => edit({ slip: false, person: person === one.id ? null : one.id })}>
                {one.name}
              </Toggle>
            ))}
        </div>
        {[room.helpSigns, room.stopSigns].map((signs, at) => (
          <div
            key={at}
            className={styles.chips}
            data-help={at === 0 ? '' : undefined}
            role="group"
            aria-label={at === 0 ? 'What: call for help' : 'What'}
          >
            {signs.map((one) => (
              <Toggle key={one} on={sign === one} onPress={() => edit({ slip: false, sign: sign === one ? null : one })}>
                {one}
              </Toggle>
            ))}
          </div>
        ))}
      </DialogContent>
      <DialogActions className={styles.leave}>
        <Button variant="contained" size="large" onClick={onClose}>
          {person || sign ? 'Back to the class' : 'I cannot say who: back to the class'}
        </Button>
        {!person && !sign && (
          <Toggle on={slip} onPress={() => edit({ slip: !slip })}>
            a slip of the finger
          </Toggle>
        )}
      </DialogActions>
    </Dialog>
  );
}
