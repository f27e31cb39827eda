'use client';

import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { Attendance } from '@/core/teach';
import type { ClassView } from '@/views/teach';
import { PickField } from '../fields';
import type { MarkedSign } from './run';
import { Toggle } from './Toggle';
import styles from './Teach.module.css';

interface MarkedProps {
  readonly room: ClassView;
  readonly signs: readonly MarkedSign[];
  readonly name: (signs: readonly MarkedSign[]) => void;
}

/** Stop signs that were marked in class: whose and which, as far as somebody can say. None of them is dropped. */
export function MarkedSigns({ room, signs, name }: MarkedProps) {
  const edit = (id: string, more: Partial<MarkedSign>) => name(signs.map((one) => (one.id === id ? { ...one, ...more } : one)));
  const whose = [{ value: '', label: 'I cannot say who' }, ...room.people.map((one) => ({ value: one.id, label: one.name }))];
  const which = [{ value: '', label: 'I cannot say which' }, ...[...room.stopSigns, ...room.helpSigns].map((sign) => ({ value: sign, label: sign }))];
  return (
    <section className={`note bad ${styles.part}`} aria-label="Stop signs marked in class">
      <p>
        <strong>Marked in class.</strong> The director sees each until somebody has answered for it. Whose was it, and which?
      </p>
      <ul className="plain">
        {signs
          .filter(({ place }) => place !== '')
          .map(({ id, place, person, sign, slip }) => (
            <li key={id} className={styles.marked}>
              <span>{place}</span>
              {!slip && (
                <>
                  <PickField
                    id={`whose-${id}`}
                    label="Whose"
                    value={person ?? ''}
                    options={whose}
                    onChange={(value) => edit(id, { person: value || null })}
                  />
                  <PickField
                    id={`which-${id}`}
                    label="Which"
                    value={sign ?? ''}
                    options={which}
                    onChange={(value) => edit(id, { sign: value || null })}
                  />
                </>
              )}
              <Toggle on={slip} onPress={() => edit(id, { slip: !slip, person: null, sign: null })}>
                a slip of the finger
              </Toggle>
            </li>
          ))}
      </ul>
    </section>
  );
}

interface SignsProps {
  readonly room: ClassView;
  readonly lines: readonly Attendance[];
  readonly onSign: (person: string, signs: readonly string[]) => void;
  /** Where a sign of somebody nobody can name is added; null where a log is only put right. */
  readonly unknown: Pick<MarkedProps, 'signs' | 'name'> | null;
}

/** A stop sign is tapped first, then whose it was: nobody scrolls a list for each person. That nobody can say who is an answer. */
export function LogSigns({ room, lines, onSign, unknown }: SignsProps) {
  const [sign, setSign] = useState<string | null>(null);
  const unnamed = unknown?.signs.filter((one) => one.person === null && !one.slip && one.place === '') ?? [];
  return (
    <section className={styles.part}>
      <h2>Stop signs</h2>
      <p className="small soft">None, unless you tap one.</p>
      {[room.stopSigns, room.helpSigns].map((signs, help) => (
        <div key={help} role="group" aria-label={help ? 'Called for help' : 'Let go'} style={{ marginBottom: 10 }}>
          {help === 1 && <p className="small soft">Called for help; the director hears of it:</p>}
          <div className={styles.chips}>
            {signs.map((one) => (
              <Toggle
                key={one}
                on={sign === one}
                marked={lines.some(({ stopSigns }) => stopSigns.includes(one)) || unnamed.some((mark) => mark.sign === one)}
                onPress={() => setSign(sign === one ? null : one)}
              >
                {one}
              </Toggle>
            ))}
          </div>
        </div>
      ))}
      {sign && (
        <div role="group" aria-label={`Who: ${sign}`} className={styles.whose}>
          <p>
            Whose was it? <strong>{sign}</strong>
          </p>
          <div className={styles.chips}>
            {room.people
              .filter(({ id }) => lines.some(({ person, came }) => person === id && came))
              .map(({ id, name }) => {
                const own = lines.find(({ person }) => person === id)!.stopSigns;
                const on = own.includes(sign);
                return (
                  <Toggle key={id} on={on} onPress={() => onSign(id, on ? own.filter((one) => one !== sign) : [...own, sign])}>
                    {name}
                  </Toggle>
                );
              })}
            {unknown && <Nobody sign={sign} unnamed={unnamed} {...unknown} />}
          </div>
        </div>
      )}
    </section>
  );
}

/** Somebody had it, and nobody can say who. */
function Nobody({ sign, unnamed, signs, name }: { sign: string; unnamed: readonly MarkedSign[] } & Pick<MarkedProps, 'signs' | 'name'>) {
  const found = unnamed.find((one) => one.sign === sign);
  const press = () => name(found ? signs.filter((one) => one !== found) : [...signs, { id: newId(), place: '', person: null, sign, slip: false }]);
  return (
    <Toggle on={found !== undefined} onPress={press}>
      I cannot say who
    </Toggle>
  );
}
