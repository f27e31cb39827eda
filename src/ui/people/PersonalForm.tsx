import { ASKED, CONSENT, SAID, type Condition } from '@/core/screening';
import { longDayText, type IsoDate } from '@/core/units';

interface Props {
  readonly link: string;
  readonly form: {
    readonly person: string;
    readonly studio: string;
    readonly today: IsoDate;
    readonly lastUntil: IsoDate | null;
    readonly asked: readonly string[];
  };
}

/** A person's own form: plain words, every question optional, and not a line of JavaScript. */
export function PersonalForm({ link, form: { person, studio, today, lastUntil, asked } }: Props) {
  const send = { method: 'post', action: `/api/form/${link}` } as const;
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
      {lastUntil && (
        <form {...send} className="sheet stack" aria-label="Nothing has changed">
          <h2>Has anything changed?</h2>
          <p>
            Your last form {lastUntil < today ? 'counted' : 'counts'} until {longDayText(lastUntil)}. If nothing has changed since, one tap is enough.
          </p>
          <Agree id="agree-renew" />
          <button className="big" name="renew" value="yes">
            Nothing has changed
          </button>
        </form>
      )}
      <form {...send} className="stack" aria-label="Your answers">
        <section className="sheet stack">
          <h2>About you</h2>
          <label htmlFor="birthDate">
            Your birth date
            <span className="small soft">People under 16 and over 65 practise a little differently; without it we plan gently.</span>
          </label>
          <input id="birthDate" name="birthDate" type="date" min="1900-01-01" max={today} />
          <label className="check">
            <input type="checkbox" name="guardianConsent" />
            <span>I am under 16, and my parent or guardian agrees that I take part</span>
          </label>
        </section>
        <section className="sheet">
          <h2>Your health</h2>
          {ASKED.filter(({ id }) => asked.includes(id)).map((condition) => (
            <Question key={condition.id} condition={condition} today={today} />
          ))}
        </section>
        <section className="sheet stack">
          <Agree id="agree" />
          <button className="big">Send my answers</button>
        </section>
      </form>
    </>
  );
}

function Agree({ id }: { id: string }) {
  return (
    <label className="check" htmlFor={id}>
      <input id={id} type="checkbox" name="consent" required />
      <span>{CONSENT.text}</span>
    </label>
  );
}

function Choices({ name, required = false }: { name: string; required?: boolean }) {
  return SAID.map((choice) => (
    <label key={choice}>
      <input type="radio" name={name} value={choice} required={required} />
      <span>{choice}</span>
    </label>
  ));
}

function Question({ condition, today }: { condition: Condition; today: IsoDate }) {
  const { id, question, reason, date, parts } = condition;
  return (
    <fieldset className="question">
      <legend>{question}</legend>
      <p className="small soft">Asked because {reason}.</p>
      <div className="choices">
        <Choices name={id} required />
      </div>
      {(date || parts.length > 0) && (
        <div className="more">
          {date && (
            <label>
              {date.label}
              <input type="date" name={`${id} date`} max={date.withinDays === null ? undefined : today} />
            </label>
          )}
          {parts.map((part) => (
            <fieldset key={part.id}>
              <legend>{part.label}</legend>
              <div className="choices">
                <Choices name={`${id} ${part.id}`} />
              </div>
            </fieldset>
          ))}
        </div>
      )}
    </fieldset>
  );
}
