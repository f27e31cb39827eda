'use client';

import Button from '@mui/material/Button';
import { doorKey, type DoorAnswers } from '@/core/screening';
import type { ClassView } from '@/views/teach';
import { InstructionLines } from './InstructionLines';
import { doorOf, type Run } from './run';
import styles from './Teach.module.css';

const MEALS: readonly DoorAnswers['meal'][] = ['none', 'within 3 h', 'within 2 h'];
const MEAL_WORD = { none: 'has eaten', 'within 3 h': 'ate in 3 h', 'within 2 h': 'ate in 2 h' } as const;

/** The day's questions at the door. Whoever is marked has other instructions at once, for this class only. */
export function Door({ room, run, change }: { room: ClassView; run: Run; change: (more: Partial<Run>) => void }) {
  const mark = (person: string, more: Partial<DoorAnswers>) => change({ door: { ...run.door, [person]: { ...doorOf(run, person), ...more } } });
  const begun = run.played.length > 0 || run.player.playing;
  const away = (person: string) => {
    const gone = run.away.includes(person);
    const without = (all: readonly string[]) => all.filter((id) => id !== person);
    // Whoever comes once it has begun came late.
    change({ away: gone ? without(run.away) : [...run.away, person], late: gone && begun ? [...run.late, person] : without(run.late) });
  };
  return (
    <>
      <h1>At the door</h1>
      <p className="lead">Ask everyone, mark only whom it concerns. It counts for today alone.</p>
      <ul className="note">
        {room.doorQuestions.map(({ id, question }) => (
          <li key={id}>{question}</li>
        ))}
      </ul>
      <ul className={`plain lines ${styles.people}`}>
        {room.people.map(({ id, name, byDoor }) => {
          const door = doorOf(run, id);
          const here = !run.away.includes(id);
          return (
            <li key={id}>
              <div className={styles.person}>
                <strong>{name}</strong>
                <span className={styles.marks} role="group" aria-label={`Today: ${name}`}>
                  <Toggle on={!here} onClick={() => away(id)} label="not here" />
                  <Toggle on={door.acute} onClick={() => mark(id, { acute: !door.acute })} label="unwell" />
                  <Toggle on={door.blockedNose} onClick={() => mark(id, { blockedNose: !door.blockedNose })} label="blocked nose" />
                  <Toggle
                    on={door.meal !== 'none'}
                    onClick={() => mark(id, { meal: MEALS[(MEALS.indexOf(door.meal) + 1) % MEALS.length] })}
                    label={MEAL_WORD[door.meal]}
                  />
                </span>
              </div>
              {here && <InstructionLines lines={byDoor[doorKey(door)]} blocks={room.blocks} />}
            </li>
          );
        })}
      </ul>
      <div className={styles.bar}>
        <Button variant="contained" size="large" onClick={() => change({ stage: 'class' })}>
          {begun ? 'Back to the class' : 'To the class screen'}
        </Button>
        <Button onClick={() => change({ stage: 'plan' })}>Back to the plan</Button>
      </div>
    </>
  );
}

function Toggle({ on, onClick, label }: { on: boolean; onClick: () => void; label: string }) {
  return (
    <button type="button" aria-pressed={on} onClick={onClick} className={styles.toggle}>
      {label}
    </button>
  );
}
