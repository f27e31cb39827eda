'use client';

import TextField from '@mui/material/TextField';
import { DONE, EFFORTS, FIRST_BREATHS, MOODS, type Attendance, type BlockDone } from '@/core/teach';
import { dayText } from '@/core/units';
import { FORM_LIMITS } from '@/forms/limits';
import type { ClassView } from '@/views/teach';
import { LogSigns, MarkedSigns } from './LogSigns';
import type { LogDraft, MarkedSign } from './run';
import { Toggle } from './Toggle';
import styles from './Teach.module.css';

interface Props {
  readonly room: ClassView;
  readonly draft: LogDraft;
  readonly edit: (more: Partial<LogDraft>) => void;
  /** Stop signs as they were marked in class. */
  readonly signs: readonly MarkedSign[];
  readonly name: (signs: readonly MarkedSign[]) => void;
  readonly putRight: boolean;
}

/** In half a minute: everyone came and found it easy, and it went as far as it ran, unless said otherwise; one tap a difference. */
export function LogFields({ room, draft, edit, signs, name, putRight }: Props) {
  const { attendance, mood } = draft;
  const came = attendance.filter((line) => line.came).length;
  const editOne = (person: string, more: Partial<Attendance>) =>
    edit({ attendance: attendance.map((line) => (line.person === person ? { ...line, ...more } : line)) });
  return (
    <>
      <h1>{putRight ? 'Put it right' : room.teacher ? `How was it, for ${room.teacher}?` : 'How was it?'}</h1>
      <p className="lead">
        {room.course}, {dayText(room.session.date)} {room.session.start}. <span className="num">{came}</span> of{' '}
        <span className="num">{attendance.length}</span> came. Change only what differs.
      </p>
      {signs.some(({ place }) => place !== '') && <MarkedSigns room={room} signs={signs} name={name} />}
      <ul className="plain lines">
        {room.people.map(({ id: person, name: called }) => {
          const line = attendance.find((one) => one.person === person)!;
          return <Person key={person} name={called} line={line} edit={(more) => editOne(person, more)} />;
        })}
      </ul>
      <LogSigns
        room={room}
        lines={attendance}
        onSign={(person, stopSigns) => editOne(person, { stopSigns })}
        unknown={putRight ? null : { signs, name }}
      />
      <HowFar room={room} draft={draft} edit={edit} />
      {room.holds && (
        <Row title="The first free breath after the holds">
          {FIRST_BREATHS.map((one) => (
            <Toggle key={one} on={draft.firstBreath === one} onPress={() => edit({ firstBreath: one })}>
              {one}
            </Toggle>
          ))}
        </Row>
      )}
      {(['before', 'after'] as const).map((when) => (
        <Row key={when} title={`The room ${when}`}>
          {MOODS.map((one) => (
            <Toggle key={one} on={mood[when] === one} onPress={() => edit({ mood: { ...mood, [when]: mood[when] === one ? null : one } })}>
              {one}
            </Toggle>
          ))}
        </Row>
      ))}
      <div className={`stack ${styles.part}`}>
        <TextField
          id="change"
          label="What to change next time"
          value={draft.change}
          onChange={(event) => edit({ change: event.target.value })}
          slotProps={{ htmlInput: { maxLength: FORM_LIMITS.note } }}
        />
        <TextField
          id="note"
          label="A note to the director"
          multiline
          value={draft.note}
          onChange={(event) => edit({ note: event.target.value })}
          slotProps={{ htmlInput: { maxLength: FORM_LIMITS.logNote } }}
        />
      </div>
    </>
  );
}

function Person({ name, line, edit }: { name: string; line: Attendance; edit: (more: Partial<Attendance>) => void }) {
  return (
    <li className={styles.person}>
      <strong className={styles.who}>
        {name}
        {line.late && line.came && <span className="soft small"> came late</span>}
        {line.stopSigns.length > 0 && <span className={styles.sign}> {line.stopSigns.join(', ')}</span>}
      </strong>
      <span className={styles.marks} role="group" aria-label={name}>
        <Toggle on={!line.came} onPress={() => edit({ came: !line.came, ...(line.came ? { stopSigns: [], late: false } : {}) })}>
          did not come
        </Toggle>
        {line.came &&
          EFFORTS.map((effort) => (
            <Toggle key={effort} on={line.effort === effort} onPress={() => edit({ effort })}>
              {effort}
            </Toggle>
          ))}
      </span>
    </li>
  );
}

/** What was not done whole, begun as the class ran. */
function HowFar({ room, draft, edit }: Pick<Props, 'room' | 'draft' | 'edit'>) {
  const techniques = room.blocks.filter(({ kind }) => kind === 'technique');
  const { blocks } = draft;
  if (techniques.length === 0) return null;
  const setDone = (block: string, done: BlockDone['done']) => {
    const others = blocks.filter((one) => one.block !== block);
    const off = blocks.some((one) => one.block === block && one.done === done);
    edit({ blocks: off ? others : [...others, { block, done }], allDone: false });
  };
  return (
    <section className={styles.part}>
      <h2>How far it went</h2>
      <p className="small soft">As the class screen ran; where it did not, tap it.</p>
      <div className={styles.chips}>
        <Toggle on={draft.allDone} onPress={() => edit({ allDone: !draft.allDone, blocks: [] })}>
          All of it was done
        </Toggle>
      </div>
      <ul className="plain lines">
        {techniques.map(({ id: block, name, detail }) => (
          <li key={block} className={styles.person}>
            <span className={styles.who}>
              {name} <span className="small soft num">{detail}</span>
            </span>
            <span className={styles.few} role="group" aria-label={`How far ${name} went`}>
              {DONE.map((done) => (
                <Toggle key={done} on={blocks.some((one) => one.block === block && one.done === done)} onPress={() => setDone(block, done)}>
                  {done === 'part' ? 'in part' : done}
                </Toggle>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Row({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className={`${styles.part} ${styles.person}`}>
      <h2 className={styles.who}>{title}</h2>
      <span className={styles.chips} role="group" aria-label={title}>
        {children}
      </span>
    </section>
  );
}
