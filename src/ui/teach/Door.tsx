'use client';

import Button from '@mui/material/Button';
import { doorKey, type DoorAnswers } from '@/core/screening';
import type { ClassView } from '@/views/teach';
import { InstructionLines } from './InstructionLines';
import { doorOf, type Run } from './run';
import styles from './Teach.module.css';

const MEALS: readonly DoorAnswers['meal'][] = ['none', 'within 3 h', 'within 2 h'];
const MEAL_WORD = { none: 'has eaten', 'within 3 h': 'ate in 3 h', 'within 2 h': 'ate in 2 h' } as const;

interface Props {
  readonly room: ClassView;
  readonly run: Run;
  readonly change: (more: Partial<Run>) => void;
}

/** The day's questions at the door. Whoever is marked has other instructions at once, for this class only. */
export function Door({ room, run, change }: Props) {
  const begun = hasBegun(run);
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
        {room.people.map((person) => (
          <AtTheDoor key={person.id} person={person} room={room} run={run} change={change} />
        ))}
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

const hasBegun = (run: Run): boolean => run.played.length > 0 || run.player.playing;

/** One person at the door: whether they are here, the day's answers, and what they do otherwise for them. */
export function AtTheDoor({ person: { id, name, byDoor }, room, run, change }: Props & { readonly person: ClassView['people'][number] }) {
  const door = doorOf(run, id);
  const here = !run.away.includes(id);
  const mark = (more: Partial<DoorAnswers>) => change({ door: { ...run.door, [id]: { ...door, ...more } } });
  const away = () => {
    const without = (all: readonly string[]) => all.filter((one) => one !== id);
    // Whoever comes once it has begun came late.
    change({ away: here ? [...run.away, id] : without(run.away), late: !here && hasBegun(run) ? [...run.late, id] : without(run.late) });
  };
  return (
    <li>
      <div className={styles.person}>
        <strong>{name}</strong>
        <span className={styles.marks} role="group" aria-label={`Today: ${name}`}>
          <Toggle on={!here} onClick={away} label="not here" />
          <Toggle on={door.acute} onClick={() => mark({ acute: !door.acute })} label="unwell" />
          <Toggle on={door.blockedNose} onClick={() => mark({ blockedNose: !door.blockedNose })} label="blocked nose" />
          <Toggle
            on={door.meal !== 'none'}
            onClick={() => mark({ meal: MEALS[(MEALS.indexOf(door.meal) + 1) % MEALS.length] })}
            label={MEAL_WORD[door.meal]}
          />
        </span>
      </div>
      {here && <InstructionLines lines={byDoor[doorKey(door)]} blocks={room.blocks} />}
    </li>
  );
}

function Toggle({ on, onClick, label }: { on: boolean; onClick: () => void; label: string }) {
  return (
    <button type="button" aria-pressed={on} onClick={onClick} className={styles.toggle}>
      {label}
    </button>
  );
}
