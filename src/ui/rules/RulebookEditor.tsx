'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { previewRulebookAction, saveRulebookAction } from '@/app/actions/people';
import { changedRulebook, changeText, type Rule, type RuleChange } from '@/core/screening';
import { dayText } from '@/core/units';
import type { Changed } from '@/server/usecases/people/whatIf';
import { Refusal } from '../forms/fields';
import { useNotice } from '../look/Notices';
import { Plank } from '../shell/Plank';
import { ChangeRule } from './ChangeRule';
import styles from './Rulebook.module.css';
import { ANSWER_COLUMNS, conditionName, CONDITION_ROWS, ruleText } from './words';

interface Props {
  readonly changes: readonly RuleChange[];
  readonly number: number;
  readonly mayChange: boolean;
  readonly versions: readonly { readonly number: number; readonly by: string; readonly at: string; readonly lines: readonly string[] }[];
}

/** The rulebook as a table of conditions and answers; for the director, with changes that are looked at before they are saved. */
export function RulebookEditor({ changes: saved, number, mayChange, versions }: Props) {
  const router = useRouter();
  const say = useNotice();
  const [changes, setChanges] = useState(saved);
  const [picked, setPicked] = useState<{ readonly condition: string; readonly rule: Rule | null } | null>(null);
  const [effects, setEffects] = useState<readonly Changed[] | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const rulebook = changedRulebook(changes);
  const own = new Set(changes.flatMap((change) => (change.kind === 'change' ? [change.rule] : [])));
  const touched = JSON.stringify(changes) !== JSON.stringify(saved);
  const change = (next: readonly RuleChange[]) => {
    setChanges(next);
    setEffects(null);
    setPicked(null);
    setRefusal(null);
  };
  const look = async () => {
    const reply = await previewRulebookAction({ number, changes });
    if (!reply.ok) return setRefusal(reply.message);
    setRefusal(null);
    setEffects(reply.value);
  };
  const save = async () => {
    const reply = await saveRulebookAction({ number, changes });
    if (!reply.ok) return setRefusal(reply.message);
    say(`Saved as version ${reply.value.number}. Decisions follow it from now on.`);
    router.refresh();
  };
  return (
    <div className="two">
      <div className={styles.scroll} tabIndex={0} role="region" aria-label="The rulebook">
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">Condition</th>
              {ANSWER_COLUMNS.map((answer) => (
                <th key={answer} scope="col">
                  {answer}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {CONDITION_ROWS.map((condition) => (
              <tr key={condition}>
                <th scope="row">
                  {conditionName(condition)}
                  {mayChange && (
                    <button
                      type="button"
                      className={styles.add}
                      aria-label={`Add a rule for ${conditionName(condition)}`}
                      onClick={() => setPicked({ condition, rule: null })}
                    >
                      add
                    </button>
                  )}
                </th>
                {ANSWER_COLUMNS.map((answer) => (
                  <td key={answer}>
                    <RuleList
                      rules={rulebook.of(condition).filter((rule) => rule.answer === answer)}
                      own={own}
                      onPick={mayChange ? (rule) => setPicked({ condition, rule }) : null}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Plank>
        {picked ? (
          <ChangeRule
            key={picked.rule?.id ?? picked.condition}
            condition={picked.condition}
            rule={picked.rule}
            onLeave={() => setPicked(null)}
            onChange={(next) => change([...changes.filter((one) => one.kind === 'add' || next.kind === 'add' || one.rule !== next.rule), next])}
          />
        ) : (
          <p>
            {mayChange
              ? 'Pick a rule to answer it in another way, or add one to a condition.'
              : 'The director changes it; every version stays in the record.'}
          </p>
        )}
        {changes.length > 0 && (
          <section>
            <h2>Ours</h2>
            <ul className="plain">
              {changes.map((one, index) => (
                <li key={index} style={{ padding: '5px 0', borderTop: '1px solid var(--rule)' }}>
                  {changeText(one)}
                  {one.reason && (
                    <span className="small soft">
                      {' '}
                      {one.reason}
                      {one.reviewer ? `, reviewed by ${one.reviewer}` : ''}
                    </span>
                  )}
                  {mayChange && (
                    <Button
                      size="small"
                      onClick={() => change(changes.filter((_, other) => other !== index))}
                      aria-label={`Take back: ${changeText(one)}`}
                    >
                      Take back
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </section>
        )}
        {effects && <Effects effects={effects} />}
        <Refusal message={refusal} />
        {touched && (
          <div className="row">
            <Button onClick={() => void look()}>What would change</Button>
            <Button variant="contained" disabled={effects === null} onClick={() => void save()}>
              Save the rulebook
            </Button>
            <Button onClick={() => change(saved)}>Leave it as it was</Button>
          </div>
        )}
        {versions.length > 0 && (
          <section>
            <h2>Versions</h2>
            {versions.map(({ number: of, by, at, lines }) => (
              <details key={of}>
                <summary>
                  v{of}{' '}
                  <span className="small soft">
                    {by}, {at}
                  </span>
                </summary>
                <ul className="small">
                  {lines.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </details>
            ))}
          </section>
        )}
      </Plank>
    </div>
  );
}

function RuleList({ rules, own, onPick }: { rules: readonly Rule[]; own: ReadonlySet<string>; onPick: ((rule: Rule) => void) | null }) {
  return (
    <ul className="plain">
      {rules.map((rule) => {
        const ours = own.has(rule.id) || rule.id.startsWith('ours ');
        const text = ruleText(rule);
        return (
          <li key={rule.id}>
            {onPick && !rule.id.startsWith('ours ') ? (
              <button type="button" className={ours ? styles.ours : styles.rule} onClick={() => onPick(rule)}>
                {text}
                {ours && ' (ours)'}
              </button>
            ) : (
              <span className={ours ? styles.ours : undefined}>
                {text}
                {ours && ' (ours)'}
              </span>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** How many planned techniques would change for whom, before it is saved. */
function Effects({ effects }: { effects: readonly Changed[] }) {
  const people = new Set(effects.map(({ person }) => person)).size;
  return (
    <div className="note small" aria-live="polite">
      {effects.length === 0 ? (
        'No planned session changes by it.'
      ) : (
        <>
          <strong>
            {effects.length} planned {effects.length === 1 ? 'technique changes' : 'techniques change'} for{' '}
            {people === 1 ? 'one person' : `${people} people`}.
          </strong>
          <ul>
            {effects.slice(0, 10).map(({ person, session, technique, name, date, before, after }) => (
              <li key={`${person} ${session} ${technique}`}>
                {dayText(date)}, {name}, {technique}: {before} → {after}
              </li>
            ))}
            {effects.length > 10 && <li>and {effects.length - 10} more</li>}
          </ul>
        </>
      )}
    </div>
  );
}
