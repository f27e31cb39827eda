import { mustParsePattern } from '@/core/pattern';
import { doingText, inStepText, type Advice, type Finding } from '@/core/screening';
import { dayText, millis, type IsoDate } from '@/core/units';
import { BreathStrip } from '../figures/BreathStrip';
import { Mark } from '../figures/Mark';

interface Focus {
  readonly name: string;
  readonly techniqueName: string;
  readonly pattern: string;
  readonly advice: Advice;
  /** For the director only; null for everybody else. */
  readonly reasons: readonly Finding[] | null;
}

/** One cell opened: what the person does, and for the director every rule that applies with its reason. */
export function CellFocus({ focus, date }: { focus: Focus; date: IsoDate }) {
  const { name, techniqueName, advice, reasons } = focus;
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
          pace={{ tempo: millis(1000), naturalBreath: millis(4000) }}
          width={260}
          height={84}
          labels={false}
          title={`Breath strip of ${shown}`}
        />
      )}
      {reasons && reasons.length > 0 && (
        <section>
          <h3>Why</h3>
          <ul className="plain">
            {reasons.map(({ ruleId, answer, condition, feature, reason }) => (
              <li key={ruleId + condition} style={{ padding: '6px 0', borderTop: '1px solid var(--rule)' }}>
                <strong>{answer}</strong>: {condition}, for {feature}.<br />
                <span className="small soft">{capital(reason)}. Usual caution.</span>
              </li>
            ))}
          </ul>
          <p className="small soft">That you opened this is recorded.</p>
        </section>
      )}
    </div>
  );
}

function patternOf({ advice, pattern }: Focus): string | null {
  const { doing } = advice;
  if (doing.kind === 'adapted' || doing.kind === 'instead') return doing.pattern;
  if (doing.kind === 'in step') return `${doing.inStep.inhale}:${doing.inStep.exhale}`;
  return doing.kind === 'as taught' ? pattern : 'natural';
}

function sentence({ doing }: Advice): string {
  switch (doing.kind) {
    case 'as taught':
      return 'Does it as taught.';
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

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
