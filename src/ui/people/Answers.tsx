'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { endOverrideAction, makeOverrideAction, openAnswersAction, recordClinicianAction, whatIfAsideAction } from '@/app/actions/people';
import { RULEBOOK } from '@/core/screening';
import { addDays, isoDate, longDayText } from '@/core/units';
import type { BearingLine, OpenedAnswers } from '@/views/person';
import { DayField } from '../fields';
import { Mark } from '../figures/Mark';
import { Changes } from './Changes';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import type { Reply } from '../forms/reply';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import { Form } from '../forms/Form';

/** For the director: what was answered, the rules that follow, clinicians' answers and overrides. Opening it is recorded. */
export function Answers({ person, today }: { person: string; today: string }) {
  const [why, setWhy] = useState('');
  const [opened, setOpened] = useState<OpenedAnswers | null>(null);
  const { run, refusal } = useAction();
  const open = async (because: string) => {
    const reply = await run(() => openAnswersAction({ person, why: because }));
    if (reply?.ok) setOpened(reply.value);
  };
  if (!opened) {
    return (
      <Form
        className="sheet stack"
        form={{
          send: (event) => {
            event?.preventDefault();
            void open(why);
          },
        }}
      >
        <h2>Answers, clinicians, overrides</h2>
        <p className="soft">Sealed. Opening them is recorded with your name, the time and the reason.</p>
        <div className="row" style={{ alignItems: 'flex-end' }}>
          <TextField id="why-read" label="Why you open them" value={why} onChange={(event) => setWhy(event.target.value)} sx={{ width: 340 }} />
          <Button type="submit">Open</Button>
        </div>
        <Refusal message={refusal} />
      </Form>
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

function Given({ opened: { answers, birthDate, screenedOn, unreadable } }: { opened: OpenedAnswers }) {
  if (unreadable)
    return (
      <p className="note bad">
        What was answered cannot be opened with this studio’s key. Everything is planned for them as for somebody of whom nothing is known; ask them
        to fill the form in again.
      </p>
    );
  return (
    <>
      <p>{birthDate ? `Born ${longDayText(birthDate)}.` : 'Birth date not known.'}</p>
      {answers.length === 0 ? (
        <p>{screenedOn ? 'Answered “no” to every question.' : 'No form has come in yet.'}</p>
      ) : (
        <ul>
          {answers.map(({ question, answer, date, dateLabel, parts }) => (
            <li key={question}>
              {question} <strong>{answer}</strong>
              {date ? ` · ${dateLabel}: ${longDayText(date)}` : ''}
              {parts.map(({ question: part, said }) => ` · ${part} ${said ?? 'not known'}`).join('')}
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
  const [answeredOn, setAnsweredOn] = useState<string>(today);
  const [reason, setReason] = useState('');
  const { run, refusal, busy } = useAction();
  const once = useOnce();
  const [changes, setChanges] = useState<readonly string[] | null>(null);
  const askable = opened.rules.filter(({ id }) => picked.includes(id)).every((rule) => rule.askable);
  const clinician = { person, rules: picked, answeredOn, until, note: reason };
  const override = { person, rules: picked, reason, until };
  const send = async (work: () => Promise<Reply<unknown>>, said: string) => {
    const reply = await run(work);
    if (!reply?.ok) return;
    once.done();
    setPicked([]);
    setReason('');
    setChanges(null);
    say(said);
    onChanged();
  };
  const look = async (kind: typeof clinician | typeof override) => {
    const reply = await run(() => whatIfAsideAction({ once: once.id(), ...kind }));
    if (reply?.ok) setChanges(reply.value);
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
            <DayField id="until" label="Last day" value={until} onChange={setUntil} sx={{ width: 220 }} />
            {askable && <DayField id="answered" label="Clinician answered on" value={answeredOn} onChange={setAnsweredOn} sx={{ width: 220 }} />}
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
              <Button
                variant="contained"
                disabled={busy}
                onClick={() => void send(() => recordClinicianAction({ once: once.id(), ...clinician }), 'The clinician’s answer is recorded.')}
              >
                A clinician said yes
              </Button>
            )}
            <Button
              color="error"
              disabled={busy}
              onClick={() =>
                void send(() => makeOverrideAction({ once: once.id(), ...override }), 'Set aside, in your name. It stays in the record.')
              }
            >
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
                {longDayText(on)}, until {longDayText(last)}: {rules.map((rule) => ruleName(rule, opened.rules)).join(', ')}
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
                  <Button size="small" onClick={() => void send(() => endOverrideAction({ person, override: id }), 'Ended today.')}>
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

/** What a rule is about; its id where it bears no longer. */
function ruleName(id: string, rules: readonly BearingLine[]): string {
  return rules.find((rule) => rule.id === id)?.feature ?? RULEBOOK.find((rule) => rule.id === id)?.condition ?? 'a rule of our own';
}
