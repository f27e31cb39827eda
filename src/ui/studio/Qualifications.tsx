'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { saveQualificationsAction } from '@/app/actions/studio';
import { mayTeach, type Role } from '@/core/staff';
import { longDayText, type IsoDate } from '@/core/units';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import styles from './Qualifications.module.css';

interface Member {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly version: number;
  readonly qualifications: readonly { readonly family: string; readonly since: string }[];
}

interface Props {
  readonly staff: readonly Member[];
  readonly families: readonly { readonly id: string; readonly name: string; readonly rung: number }[];
}

/** The staff, and what each may be handed: a plan goes only to somebody qualified for all of it. */
export function Qualifications({ staff, families }: Props) {
  return (
    <section>
      <h2>Staff</h2>
      <ul className="plain lines sheet">
        {staff.map((member) => (
          <MemberRow key={`${member.id} ${member.version}`} member={member} families={families} />
        ))}
      </ul>
    </section>
  );
}

function MemberRow({ member, families }: { member: Member; families: Props['families'] }) {
  const say = useNotice();
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<readonly string[]>(member.qualifications.map(({ family }) => family));
  const { run, refusal, busy, refresh } = useAction();
  const teaches = mayTeach(member.role);
  const lacks = families.filter(({ id }) => !member.qualifications.some(({ family }) => family === id)).map(({ name }) => name);
  const save = async () => {
    const reply = await run(() => saveQualificationsAction({ staff: member.id, version: member.version, families: chosen }));
    if (!reply?.ok) return;
    say(`${member.name}’s qualifications are saved.`);
    refresh();
  };
  return (
    <li>
      <div className={styles.head}>
        <div>
          <h3>{member.name}</h3>
          <p className="soft small">
            {member.role} · {member.email}
          </p>
        </div>
        <p className="small">{!teaches ? 'does not teach' : qualifiedText(member.qualifications.length, families.length, lacks)}</p>
        {teaches && (
          <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'Fold away' : 'Qualifications'}
          </Button>
        )}
      </div>
      {open && (
        <div className={styles.families} role="group" aria-label={`What ${member.name} is qualified to teach`}>
          {families.map(({ id, name }) => {
            const since = member.qualifications.find(({ family }) => family === id)?.since;
            return (
              <FormControlLabel
                key={id}
                control={
                  <Checkbox
                    checked={chosen.includes(id)}
                    onChange={({ target: { checked } }) => setChosen(checked ? [...chosen, id] : chosen.filter((other) => other !== id))}
                  />
                }
                label={
                  <span>
                    {name}
                    {since && <span className="soft small"> since {longDayText(since as IsoDate)}</span>}
                  </span>
                }
              />
            );
          })}
          <Refusal message={refusal} />
          <p>
            <Button variant="contained" disabled={busy} onClick={() => void save()}>
              Save
            </Button>
          </p>
        </div>
      )}
    </li>
  );
}

function qualifiedText(has: number, all: number, lacks: readonly string[]): string {
  if (has === 0) return 'qualified for nothing yet';
  if (has === all) return `qualified for all ${all} families`;
  return lacks.length <= 5 ? `qualified for all but ${lacks.join(', ').toLowerCase()}` : `qualified for ${has} of ${all} families`;
}
