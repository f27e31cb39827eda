'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { saveQualificationsAction } from '@/app/actions/studio';
import { longDayText, type IsoDate } from '@/core/units';
import { useNotice } from '../look/Notices';
import styles from './Qualifications.module.css';

interface Member {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: string;
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
  const router = useRouter();
  const say = useNotice();
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<readonly string[]>(member.qualifications.map(({ family }) => family));
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const teaches = member.role !== 'front desk';
  const lacks = families.filter(({ id }) => !member.qualifications.some(({ family }) => family === id)).map(({ name }) => name);
  const save = () =>
    start(async () => {
      const reply = await saveQualificationsAction({ staff: member.id, version: member.version, families: chosen });
      setRefused(reply.ok ? null : reply.message);
      if (!reply.ok) return;
      say(`${member.name}’s qualifications are saved.`);
      router.refresh();
    });
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
          <p role="alert" className={refused ? 'note bad' : 'sr'}>
            {refused}
          </p>
          <p>
            <Button variant="contained" disabled={busy} onClick={save}>
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
