'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { endOverrideAction, makeOverrideAction, openAnswersAction, recordClinicianAction, whatIfAsideAction } from '@/app/actions/people';
import { addDays, isoDate, longDayText } from '@/core/units';
import type { BearingLine, OpenedAnswers } from '@/server/usecases/people/readPerson';
import { Mark } from '../figures/Mark';
import { Changes } from './Changes';
import { Refusal } from '../forms/fields';
import { useNotice } from '../look/Notices';

/** For the director: what was answered, the rules that follow, clinicians' answers and overrides. Opening it is recorded. */
export function Answers({ person, today }: { person: string; today: string }) {
  const [why, setWhy] = useState('');
  const [opened, setOpened] = useState<OpenedAnswers | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const open = async (because: string) => {
    const reply = await openAnswersAction({ person, why: because });
    if (!reply.ok) return setRefusal(reply.message);
    setRefusal(null);
    setOpened(reply.value);
  };
  if (!opened) {
    return (
      <form
        className="sheet stack"
        onSubmit={(event) => {
          event.preventDefault();
          void open(why);
        }}
      >
        <h2>Answers, clinicians, overrides</h2>
        <p className="soft">Sealed. Opening them is recorded with your name, the time and the reason.</p>
        <div className="row" style={{ alignItems: 'flex-end' }}>
          <TextField id="why-read" label="Why you open them" value={why} onChange={(event) => setWhy(event.target.value)} sx={{ width: 340 }} />
          <Button type="submit">Open</Button>
        </div>
        <Refusal message={refusal} />
      </form>
    );
  }
  return (
    <section className="sheet stack" data-testid="answers">
      <h2>Answers, clinicians, overrides</h2>
      <p className="small soft">Opened at {opened.readAt}; recorded.</p>
      <Given opened={opened} />
      <Rules person={person} opened={opened} today={today} onChanged={() => void open(why)} />
    </section>
  );
}

function Given({ opened: { answers, birthDate, screenedOn } }: { opened: OpenedAnswers }) {
  return (
    <>
      <p>{birthDate ? `Born ${longDayText(birthDate)}.` : 'Birth date not known.'}</p>
      {answers.length === 0 ? (
        <p>{screenedOn ? 'Answered “no” to every question.' : 'No form has come in yet.'}</p>
      ) : (
        <ul>
          {answers.map(({ question, answer, date, dateLabel, states }) => (
            <li key={question}>
              {question} <strong>{answer}</strong>
              {date ? ` · ${dateLabel}: ${longDayText(date)}` : ''}
              {states.length > 0 ? ` · ${states.join(', ')}` : ''}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

interface RulesProps {
  readonly person: string;
  readonly opened: OpenedAnswers;
  readonly today: string;
  readonly onChanged: () => void;
}

/** The rules that bear today, to be covered by a clinician's answer or set aside by the director. */
function Rules({ person, opened, today, onChanged }: RulesProps) {
  const say = useNotice();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [until, setUntil] = useState<string>(addDays(isoDate(today), 90));
  const [answeredOn, setAnsweredOn] = useState(today);
  const [reason, setReason] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [changes, setChanges] = useState<readonly string[] | null>(null);
  const askable = opened.rules.filter(({ id }) => picked.includes(id)).every((rule) => rule.askable);
  const clinician = { person, rules: picked, answeredOn, until, note: reason };
  const override = { person, rules: picked, reason, until };
  const send = async (reply: Promise<Awaited<ReturnType<typeof makeOverrideAction>>>, said: string) => {
    const answer = await reply;
    if (!answer.ok) return setRefusal(answer.message);
    setRefusal(null);
    setPicked([]);
    setReason('');
    setChanges(null);
    say(said);
    onChanged();
  };
  const look = async (kind: typeof clinician | typeof override) => {
    const reply = await whatIfAsideAction(kind);
    if (!reply.ok) return setRefusal(reply.message);
    setRefusal(null);
    setChanges(reply.value);
  };
  const running = opened.overrides.filter((one) => one.running);
  return (
    <>
      {opened.rules.length === 0 ? <p>No rule bears on them today.</p> : <h3>Rules that bear today</h3>}
      {[...new Set(opened.rules.map(({ condition }) => condition))].map((condition) => {
        const rules = opened.rules.filter((rule) => rule.condition === condition);
        return (
          <section key={condition}>
            <p>
              <strong>{condition}</strong> <span className="small soft">{rules[0].reason}</span>
            </p>
            <ul className="plain">
              {rules.map((rule) => (
                <RuleLine
                  key={rule.id}
                  rule={rule}
                  picked={picked.includes(rule.id)}
                  onPick={(on) => {
                    setChanges(null);
                    setPicked(on ? [...picked, rule.id] : picked.filter((id) => id !== rule.id));
                  }}
                />
              ))}
            </ul>
          </section>
        );
      })}
      {picked.length > 0 && (
        <div className="note stack">
          <p>
            <strong>{picked.length === 1 ? 'One rule' : `${picked.length} rules`}</strong>, until
          </p>
          <div className="row" style={{ alignItems: 'flex-end' }}>
            <TextField id="until" label="Last day" type="date" value={until} onChange={(event) => setUntil(event.target.value)} />
            {askable && (
              <TextField
                id="answered"
                label="Clinician answered on"
                type="date"
                value={answeredOn}
                onChange={(event) => setAnsweredOn(event.target.value)}
              />
            )}
          </div>
          <TextField
            id="reason"
            label={askable ? 'What was said, or your reason' : 'Your reason'}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          {changes && <Changes changes={changes} />}
          <div className="row">
            <Button onClick={() => void look(askable ? clinician : override)}>What would change</Button>
            {askable && (
              <Button variant="contained" onClick={() => void send(recordClinicianAction(clinician), 'The clinician’s answer is recorded.')}>
                A clinician said yes
              </Button>
            )}
            <Button color="error" onClick={() => void send(makeOverrideAction(override), 'Set aside, in your name. It stays in the record.')}>
              Set aside in my name
            </Button>
          </div>
        </div>
      )}
      {opened.clinicians.length > 0 && (
        <>
          <h3>Clinicians’ answers</h3>
          <ul>
            {opened.clinicians.map(({ rules, on, until: last }, index) => (
              <li key={index}>
                {longDayText(on)}, until {longDayText(last)}: {rules.map((rule) => rule.split(' / ').at(-1)).join(', ')}
              </li>
            ))}
          </ul>
        </>
      )}
      {opened.overrides.length > 0 && (
        <>
          <h3>Overrides</h3>
          <ul className="plain">
            {opened.overrides.map(({ id, by, from, until: last, reason: because, running: runs }) => (
              <li key={id} className="row" style={{ padding: '4px 0' }}>
                <span style={{ flex: 1 }}>
                  {because}{' '}
                  <span className="soft small">
                    {by}, from {longDayText(from)} until {longDayText(last)}
                  </span>
                </span>
                {runs && (
                  <Button size="small" onClick={() => void send(endOverrideAction({ person, override: id }), 'Ended today.')}>
                    End it today
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {running.length > 0 && <p className="small soft">A running override acts wherever this person is planned.</p>}
        </>
      )}
      <Refusal message={refusal} />
    </>
  );
}

function RuleLine({ rule, picked, onPick }: { rule: BearingLine; picked: boolean; onPick: (on: boolean) => void }) {
  const { answer, condition, feature, source, settable } = rule;
  return (
    <li style={{ borderTop: '1px solid var(--rule)', padding: '4px 0' }}>
      <label className="row" style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
        <Checkbox
          checked={picked}
          disabled={!settable}
          onChange={(_, on) => onPick(on)}
          sx={{ padding: '2px' }}
          slotProps={{ input: { 'aria-label': `${answer}: ${condition}, for ${feature}` } }}
        />
        <span style={{ paddingTop: 3 }}>
          <Mark answer={answer} />
        </span>
        <span>
          <strong>{answer}</strong>: {feature} <span className="small soft">{source === 'studio policy' ? source : ''}</span>
        </span>
      </label>
    </li>
  );
}
