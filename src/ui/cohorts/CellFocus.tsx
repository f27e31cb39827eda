import Link from 'next/link';
import { mustParsePattern } from '@/core/pattern';
import { doingText, inStepText, type Advice } from '@/core/screening';
import { dayText, longDayText, millis, type IsoDate } from '@/core/units';
import { capital } from '@/core/wording';
import type { CellFocusView } from '@/views/cohort';
import { BreathStrip } from '../figures/BreathStrip';
import { Mark } from '../figures/Mark';

type Why = CellFocusView['why'];

/** One cell opened: what the person does, and every rule that applies with its reason. */
export function CellFocus({ focus, date, naturalBreath }: { focus: CellFocusView; date: IsoDate; naturalBreath: number }) {
  const { person, name, techniqueName, advice, why } = focus;
  const shown = patternOf(focus);
  return (
    <div className="stack" data-testid="focus">
      <h2>
        {name} · {techniqueName}
      </h2>
      <p className="row" style={{ gap: 8 }}>
        <Mark answer={advice.answer} />
        <strong>{advice.answer}</strong> <span className="soft">on {dayText(date)}</span>
      </p>
      {advice.words.length > 0 && <p>{capital(advice.words.join('; '))}.</p>}
      <p>{sentence(advice)}</p>
      {shown && (
        <BreathStrip
          pattern={mustParsePattern(shown)}
          pace={{ tempo: millis(1000), naturalBreath: millis(naturalBreath) }}
          width={260}
          height={84}
          labels={false}
          title={`Breath strip of ${shown}`}
        />
      )}
      <Reasons why={why} person={person} />
    </div>
  );
}

const WOULD = {
  clinician: 'A clinician’s yes would open it.',
  form: 'Answering the screening form might open it.',
} as const;

function Reasons({ why: { findings, aside, next, would }, person }: { why: Why; person: string }) {
  return (
    <>
      {findings.length > 0 && (
        <section>
          <h3>Why</h3>
          <ul className="plain">
            {findings.map(({ ruleId, answer, condition, feature, reason, source }) => (
              <li key={ruleId + condition} style={{ padding: '6px 0', borderTop: '1px solid var(--rule)' }}>
                <strong>{answer}</strong>: {condition}, for {feature}.<br />
                <span className="small soft">
                  {capital(reason)}. {capital(source)}.
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {aside.length > 0 && (
        <section>
          <h3>Set aside</h3>
          <ul className="plain">
            {aside.map(({ id, text, by, reason, until }) => (
              <li key={id} style={{ padding: '6px 0', borderTop: '1px solid var(--rule)' }}>
                {text}.<br />
                <span className="small soft">
                  By {by} until {longDayText(until)}
                  {reason ? `: ${reason}` : ''}.
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {(would || next) && (
        <section>
          <h3>What would change it</h3>
          {would && <p>{WOULD[would]}</p>}
          {next && (
            <p>
              From {dayText(next.date)} on: <strong>{next.answer}</strong>.
            </p>
          )}
        </section>
      )}
      <p className="small soft">
        That you opened this is recorded. <Link href={`/cohorts/people/${person}`}>Clinician’s answer, or an override</Link>
      </p>
    </>
  );
}

function patternOf({ advice, pattern }: CellFocusView): string | null {
  const { doing } = advice;
  if (doing.kind === 'adapted' || doing.kind === 'instead' || doing.kind === 'option') return doing.pattern;
  if (doing.kind === 'in step') return doing.inStep.map(({ inhale, exhale }) => `in ${inhale}, out ${exhale}`).join(', ');
  return doing.kind === 'as taught' ? pattern : 'natural';
}

function sentence({ doing }: Advice): string {
  switch (doing.kind) {
    case 'as taught':
      return 'Does it as taught.';
    case 'option':
      return `Takes ${doingText(doing)}, which stands beside it.`;
    case 'adapted':
      return `Breathes ${doing.pattern} and ends each cycle with the room.`;
    case 'in step': {
      const others = doing.next.length > 0 ? ` Or ${doing.next.map(inStepText).join(', or ')}.` : '';
      return `Breathes ${inStepText(doing.inStep)} and ends each cycle with the room.${others}`;
    }
    case 'instead':
      return `Meanwhile: ${doingText(doing)}, at their own pace.`;
    case 'natural breath':
      return 'Meanwhile: the natural breath, to the end of the block.';
  }
}
