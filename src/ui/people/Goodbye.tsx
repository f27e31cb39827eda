'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { erasePersonAction, exportPersonAction, leaveCohortAction } from '@/app/actions/people';
import type { PersonView } from '@/views/person';
import { saveAs } from '../files';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { Fold } from '../shell/Fold';
import { useNotice } from '../look/Notices';

interface Props {
  readonly person: Pick<PersonView['person'], 'id' | 'version' | 'name' | 'cohort' | 'leftOn'>;
  readonly mayErase: boolean;
}

/** Leaving, taking along what the studio holds, and being forgotten. */
export function Goodbye({ person: { id, version, name, cohort, leftOn }, mayErase }: Props) {
  const router = useRouter();
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  const [why, setWhy] = useState('');
  const [typed, setTyped] = useState('');
  const leave = async () => {
    const reply = await run(() => leaveCohortAction({ person: id, version, back: leftOn !== null }));
    if (!reply?.ok) return;
    say(leftOn ? `${name} is back.` : `${name} has left. Plans no longer count them.`);
    refresh();
  };
  const take = async () => {
    const reply = await run(() => exportPersonAction({ person: id, why }));
    if (!reply?.ok) return;
    saveAs('person', name, reply.value);
  };
  const erase = async () => {
    const reply = await run(() => erasePersonAction({ person: id, name: typed }));
    if (!reply?.ok) return;
    say(`Erased. The record knows ${reply.value.pseudonym}.`);
    router.push(`/cohorts/${cohort}`);
    refresh();
  };
  return (
    <section className="sheet stack">
      <h2>Leaving</h2>
      <p>
        {leftOn
          ? `${name} has left the cohort; nothing is lost.`
          : 'Who leaves is no longer counted in plans; nothing is lost, and they can come back.'}
      </p>
      <div className="row">
        <Button disabled={busy} onClick={() => void leave()}>
          {leftOn ? 'Back into the cohort' : 'Leave the cohort'}
        </Button>
      </div>
      {mayErase && (
        <Fold plain title="All that is held of them, and erasing">
          <div className="stack" style={{ paddingTop: 10 }}>
            <p className="small">The file holds the answers too, so say why it is made: it stays in the record.</p>
            <div className="row" style={{ alignItems: 'flex-end' }}>
              <TextField id="why" label="Why" value={why} onChange={(event) => setWhy(event.target.value)} sx={{ width: 320 }} />
              <Button onClick={() => void take()}>Take all of it along</Button>
            </div>
            <p className="small">
              Erasing destroys the key that their answers are sealed with. Nobody can ever read them again, and it cannot be undone. Logs and
              overrides keep a pseudonym.
            </p>
            <div className="row" style={{ alignItems: 'flex-end' }}>
              <TextField
                id="erase"
                label={`Type “${name}” to be sure`}
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
                sx={{ width: 320 }}
              />
              <Button color="error" disabled={typed !== name} onClick={() => void erase()}>
                Erase {name}
              </Button>
            </div>
          </div>
        </Fold>
      )}
      <Refusal message={refusal} />
    </section>
  );
}
