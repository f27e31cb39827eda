'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { changeRoleAction, inviteAgainAction, leaveStaffAction, resetForAction, saveQualificationsAction } from '@/app/actions/staff';
import { mayTeach, ROLES, type Role } from '@/core/staff';
import type { MemberView } from '@/views/staff';
import { DayField } from '../fields';
import { WordChoice } from '../fields/WordChoice';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import { awayText } from './awayText';
import styles from './StaffList.module.css';

interface Props {
  readonly members: readonly MemberView[];
  readonly families: readonly { readonly id: string; readonly name: string }[];
  /** Whoever looks at it. */
  readonly me: string;
}

/** The staff: who may what, what each may be handed, and when they are away. */
export function StaffList({ members, families, me }: Props) {
  return (
    <ul className="plain lines sheet">
      {members.map((member) => (
        <MemberRow key={`${member.id} ${member.version}`} member={member} families={families} isMe={member.id === me} />
      ))}
    </ul>
  );
}

function MemberRow({ member, families, isMe }: { member: MemberView; families: Props['families']; isMe: boolean }) {
  const say = useNotice();
  const [open, setOpen] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const { run, refusal, busy, refresh } = useAction();
  const { id: staff, version, name, role, email, invited, aways, classes } = member;
  const teaches = mayTeach(role);
  const seen = { staff, version };
  const changeRole = async (to: string) => {
    const reply = await run(() => changeRoleAction({ ...seen, role: to as Role }));
    if (reply?.ok) say(`${name} is ${to} now.`);
    refresh();
  };
  const send = async () => {
    const reply = await run(() => (invited ? inviteAgainAction(seen) : resetForAction(seen)));
    if (reply?.ok) say(`A link is in the outbox for ${name}; the one before it works no longer.`);
  };
  const leave = async () => {
    const reply = await run(() => leaveStaffAction(seen));
    if (reply?.ok)
      say(
        reply.value.open.length === 0
          ? `${name} has left.`
          : `${name} has left. Without a teacher now: ${reply.value.open.slice(0, 3).join('; ')}${reply.value.open.length > 3 ? ' …' : '.'}`,
      );
    refresh();
  };
  return (
    <li>
      <div className={styles.head}>
        <div>
          <h2>{name}</h2>
          <p className="small soft">{email}</p>
        </div>
        <div className="small">
          <p>
            <WordChoice
              text={role}
              label={`Role of ${name}`}
              editable={!busy}
              options={ROLES.map((one) => ({ value: one, label: one, chosen: one === role }))}
              onChoose={(to) => void changeRole(to)}
            />
            {isMe && ' · you'}
            {invited && <strong> · invited, has not signed in yet</strong>}
          </p>
          <p>{teaches ? qualifiedText(member, families) : 'does not teach'}</p>
          {aways.length > 0 && <p>Away {aways.map(awayText).join('; ')}.</p>}
        </div>
        <Button size="small" aria-expanded={open} aria-label={`${open ? 'Fold away' : 'Change'} ${name}`} onClick={() => setOpen(!open)}>
          {open ? 'Fold away' : 'Change'}
        </Button>
      </div>
      {open && (
        <div className="stack" style={{ paddingTop: 8 }}>
          {teaches && <Qualified member={member} families={families} />}
          <div className="row">
            <Button disabled={busy} onClick={() => void send()}>
              {invited ? 'Send the invitation again' : 'Send a link for a new password'}
            </Button>
            {!leaving && (
              <Button disabled={busy} onClick={() => setLeaving(true)}>
                {name.split(' ')[0]} leaves
              </Button>
            )}
          </div>
          {leaving && (
            <div className="note bad stack">
              <p>
                {name} is signed out everywhere at once. What they did keeps their name.{' '}
                {classes === 0
                  ? 'No class ahead is in their hands.'
                  : `${classes === 1 ? 'One class ahead is' : `${classes} classes ahead are`} in their hands and will have nobody, until you hand ${classes === 1 ? 'it' : 'them'} over.`}
              </p>
              <div className="row">
                <Button variant="contained" disabled={busy} onClick={() => void leave()}>
                  {name} has left
                </Button>
                <Button onClick={() => setLeaving(false)}>Stays</Button>
              </div>
            </div>
          )}
          <Refusal message={refusal} />
        </div>
      )}
    </li>
  );
}

/** What somebody may be handed: each family from a day on. */
function Qualified({ member, families }: { member: MemberView; families: Props['families'] }) {
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  const [chosen, setChosen] = useState<ReadonlyMap<string, string>>(() => new Map(member.qualifications.map(({ family, since }) => [family, since])));
  const save = async () => {
    const wanted = [...chosen].map(([family, since]) => ({ family, since: since || null }));
    const reply = await run(() => saveQualificationsAction({ staff: member.id, version: member.version, families: wanted }));
    if (reply?.ok) say(`${member.name}’s qualifications are saved.`);
    if (reply?.ok) refresh();
  };
  const set = (family: string, since: string | null) => {
    const next = new Map(chosen);
    if (since === null) next.delete(family);
    else next.set(family, since);
    setChosen(next);
  };
  return (
    <div role="group" aria-label={`What ${member.name} is qualified to teach`}>
      <h3>Qualified to teach</h3>
      <ul className={`plain ${styles.families}`}>
        {families.map(({ id, name }) => (
          <li key={id}>
            <FormControlLabel
              control={<Checkbox checked={chosen.has(id)} onChange={({ target }) => set(id, target.checked ? '' : null)} />}
              label={name}
            />
            {chosen.has(id) && (
              <DayField
                id={`${member.id}-${id}`}
                label={`${name}: since`}
                hideLabel
                placeholder="from today"
                value={chosen.get(id)!}
                onChange={(day) => set(id, day)}
                sx={{ width: 170 }}
              />
            )}
          </li>
        ))}
      </ul>
      <Refusal message={refusal} />
      <Button variant="contained" disabled={busy} onClick={() => void save()}>
        Save
      </Button>
    </div>
  );
}

function qualifiedText({ qualifications }: MemberView, families: Props['families']): string {
  const has = families.filter(({ id }) => qualifications.some(({ family }) => family === id));
  const lacks = families.filter((family) => !has.includes(family)).map(({ name }) => name);
  if (has.length === 0) return 'qualified for nothing yet';
  if (lacks.length === 0) return `qualified for all ${families.length} families`;
  return lacks.length <= 5 ? `qualified for all but ${lacks.join(', ').toLowerCase()}` : `qualified for ${has.length} of ${families.length} families`;
}
