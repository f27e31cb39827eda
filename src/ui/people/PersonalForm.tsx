'use client';

import { useActionState } from 'react';
import { personalFormAction, type FormState } from '@/app/actions/form';
import { ASKED, CONSENT, type Condition } from '@/core/screening';
import { longDayText, type IsoDate } from '@/core/units';

interface Props {
  readonly token: string;
  readonly form: {
    readonly person: string;
    readonly studio: string;
    readonly lastUntil: IsoDate | null;
    readonly asked: readonly string[];
  };
}

const CHOICES = ['no', 'yes', "don't know", 'prefer not to say'] as const;
const EMPTY: FormState = { done: false, problems: {}, typed: {} };

/** A person's own form: plain words, every question optional, and no JavaScript needed. */
export function PersonalForm({ token, form: { person, studio, lastUntil, asked } }: Props) {
  const [state, send, busy] = useActionState(personalFormAction.bind(null, token), EMPTY);
  if (state.done) return <Thanks person={person} renewed={state.renewed} />;
  const { problems, typed } = state;
  return (
    <>
      <p className="soft">{studio}</p>
      <h1>Hello {person}</h1>
      <p className="lead">
        Some ways of breathing do not suit everybody. These questions help your teacher plan what suits you. It takes about five minutes.
      </p>
      <ul>
        <li>The program director reads your answers. Your teacher is told what to do, such as “no holds”, never why.</li>
        <li>You may leave any question at “prefer not to say”. Then we plan gently.</li>
        <li>A form clears nobody. If you are unsure, ask your doctor first.</li>
      </ul>
      {Object.keys(problems).length > 0 && (
        <div className="note bad" role="alert">
          <p>
            <strong>Not sent yet.</strong> What you filled in is still here.
          </p>
          <ul>
            {Object.entries(problems).map(([field, message]) => (
              <li key={field}>{message}</li>
            ))}
          </ul>
        </div>
      )}
      {lastUntil && (
        <form action={send} className="sheet stack">
          <h2>Has anything changed?</h2>
          <p>Your last form counts until {longDayText(lastUntil)}. If nothing has changed since, one tap is enough.</p>
          <Agree id="agree-renew" />
          <button className="big" name="renew" value="yes" disabled={busy}>
            Nothing has changed
          </button>
        </form>
      )}
      <form action={send} className="stack" key={JSON.stringify(typed)}>
        <section className="sheet stack">
          <h2>About you</h2>
          <label htmlFor="birthDate">
            Your birth date
            <span className="small soft">People under 16 and over 65 practise a little differently.</span>
          </label>
          <input id="birthDate" name="birthDate" type="date" defaultValue={typed.birthDate} />
          <label className="check">
            <input type="checkbox" name="guardianConsent" defaultChecked={typed.guardianConsent === 'on'} />
            <span>I am under 16, and my parent or guardian agrees that I take part</span>
          </label>
        </section>
        <section className="sheet">
          <h2>Your health</h2>
          {ASKED.filter(({ id }) => asked.includes(id)).map((condition) => (
            <Question key={condition.id} condition={condition} typed={typed} problem={problems[`answers.${condition.id}`]} />
          ))}
        </section>
        <section className="sheet stack">
          <Agree id="agree" />
          <button className="big" disabled={busy}>
            Send my answers
          </button>
        </section>
      </form>
    </>
  );
}

function Agree({ id }: { id: string }) {
  return (
    <label className="check" htmlFor={id}>
      <input id={id} type="checkbox" name="consent" />
      <span>{CONSENT.text}</span>
    </label>
  );
}

function Question({ condition, typed, problem }: { condition: Condition; typed: Readonly<Record<string, string>>; problem: string | undefined }) {
  const { id, question, reason, date, states } = condition;
  return (
    <fieldset className="question">
      <legend>{question}</legend>
      <p className="small soft">Asked because {reason}.</p>
      <div className="choices">
        {CHOICES.map((choice) => (
          <label key={choice}>
            <input type="radio" name={id} value={choice} defaultChecked={(typed[id] ?? 'no') === choice} />
            <span>{choice}</span>
          </label>
        ))}
      </div>
      {(date || states.length > 0) && (
        <div className="more">
          {date && (
            <label>
              {date.label}
              <input type="date" name={`${id} date`} defaultValue={typed[`${id} date`]} />
            </label>
          )}
          {states.map((state) => (
            <label key={state.id} className="check">
              <input type="checkbox" name={`${id} ${state.id}`} defaultChecked={typed[`${id} ${state.id}`] === 'on'} />
              <span>{state.label}</span>
            </label>
          ))}
        </div>
      )}
      {problem && (
        <p className="error" role="alert">
          {problem}
        </p>
      )}
    </fieldset>
  );
}

function Thanks({ person, renewed }: { person: string; renewed: boolean }) {
  return (
    <>
      <h1>Thank you, {person}</h1>
      <p className="lead">
        {renewed ? 'Your last form counts for another six months.' : 'Your answers have arrived, and count for six months.'} This link is used up now.
      </p>
      <p>
        If something changes, or you want to correct an answer, ask the studio for a new link. Tell your teacher at the door how you are that day.
      </p>
      <p>
        <a href="/safety">What screening does and does not do, and when to let go</a>
      </p>
    </>
  );
}
