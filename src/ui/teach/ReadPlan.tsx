'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { acknowledgePlanAction } from '@/app/actions/teach';
import { NOTHING_TODAY, doorKey } from '@/core/screening';
import { dayText } from '@/core/units';
import type { ClassView } from '@/views/teach';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { Conversation } from '../plans/Conversation';
import { Signs } from '../plans/Signs';
import { InstructionLines } from './InstructionLines';
import styles from './Teach.module.css';
import { Plank } from '../shell/Plank';

/** The plan as a teacher reads it: what, how long, who does what instead, what to watch for. */
export function ReadPlan({ room, onOpen }: { room: ClassView; onOpen: () => void }) {
  const { session, plan, blocks, people, cautions } = room;
  const { run, refusal, busy, refresh } = useAction();
  const concerned = people.filter(({ byDoor }) => byDoor[doorKey(NOTHING_TODAY)].length > 0);
  const acknowledge = async () => {
    await run(() => acknowledgePlanAction({ session: session.id, plan: plan.id }));
    refresh();
  };
  return (
    <>
      <h1>{room.course}</h1>
      <p className="soft">
        {dayText(session.date)} {session.start} · version {plan.number} · instructions as of {room.asOf}
      </p>
      <p className="small noprint">
        <Link href={`/paper/plans/${session.id}`}>On paper</Link> · <Link href={`/paper/handouts/${session.id}`}>Handout for the people</Link>
      </p>
      {plan.purpose && <p className="lead">{plan.purpose}</p>}
      {plan.note && <p className="note">{plan.note}</p>}
      {plan.changes.length > 0 && (
        <p className="note">
          Changed since version {plan.number - 1}: {plan.changes.join('; ')}.
        </p>
      )}
      {room.stricter.length > 0 && (
        <div className="note bad" role="status">
          <p>
            <strong>Stricter since you read it.</strong> Please read these again.
          </p>
          <ul>
            {room.stricter.map(({ name, block, text }) => (
              <li key={name + block}>
                <strong>{name}</strong>, {block}: {text}
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className={styles.bar}>
        {room.logged ? (
          <p className="soft">This class is taught and logged.</p>
        ) : !room.acknowledged ? (
          <>
            <Button variant="contained" size="large" disabled={busy} onClick={() => void acknowledge()}>
              I have read it
            </Button>
            <span className="soft small">Read to the end first; the director sees when you did.</span>
          </>
        ) : (
          <>
            <Button variant="contained" size="large" onClick={onOpen}>
              {room.today ? 'Open the class' : 'Rehearse it'}
            </Button>
            <span className="soft small">
              You have read this version. {room.today ? 'It then runs without a network too.' : 'It opens for real on its day.'}
            </span>
          </>
        )}
      </div>
      <Refusal message={refusal} />
      <div className="two" style={{ marginTop: 14 }}>
        <div className="stack">
          <section>
            <h2>The class</h2>
            <p className="soft">Where a block says nothing else: {room.usually}.</p>
            <ol className={styles.outline}>
              {blocks.map(({ id, kind, name, minutes, detail, how, lines, note }) => (
                <li key={id} data-kind={kind}>
                  <span className="num">{minutes} min</span>
                  <span>
                    <strong>{name}</strong>
                    {detail && <span className={styles.detail}>{detail}</span>}
                    {how && <span className={styles.detail}>{how}</span>}
                    {lines.map((line) => (
                      <span key={line} className={styles.detail}>
                        “{line}”
                      </span>
                    ))}
                    {note && <span className={styles.detail}>Note: {note}</span>}
                  </span>
                </li>
              ))}
            </ol>
          </section>
          <section>
            <h2>For whom it is different</h2>
            {concerned.length === 0 ? (
              <p className="soft">Everyone does everything as taught. Ask the door questions all the same.</p>
            ) : (
              <ul className="plain lines">
                {concerned.map(({ id, name, byDoor }) => (
                  <li key={id}>
                    <strong>{name}</strong>
                    <InstructionLines lines={byDoor[doorKey(NOTHING_TODAY)]} blocks={blocks} />
                  </li>
                ))}
              </ul>
            )}
          </section>
        </div>
        <Plank>
          <h2>Watch for</h2>
          {cautions.map(({ name, cautions: own, watchFor }) => (
            <p key={name} className="small">
              <strong>{name}</strong>: {[...own, ...watchFor].join(', ')}.
            </p>
          ))}
          <Signs stopSigns={room.stopSigns} emergency={room.emergency} />
          <Conversation session={session.id} said={room.conversation} />
        </Plank>
      </div>
    </>
  );
}
