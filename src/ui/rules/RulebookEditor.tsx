'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { compareRulebookAction, previewRulebookAction, saveRulebookAction } from '@/app/actions/people';
import { changedRulebook, changeText, RULEBOOK, type Rule, type RuleChange } from '@/core/screening';
import { dayText } from '@/core/units';
import type { Changed } from '@/views/person';
import type { RulebookNow, RulebookView } from '@/views/rules';
import { Clash } from '../forms/Clash';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import { Fold } from '../shell/Fold';
import { Plank } from '../shell/Plank';
import { ChangeRule } from './ChangeRule';
import styles from './Rulebook.module.css';
import { ANSWER_COLUMNS, conditionName, CONDITION_ROWS, ruleText } from './words';

/** The rulebook as a table of conditions and answers, with changes that are looked at before they are saved. */
export function RulebookEditor({ changes: first, number: seen, versions }: RulebookView) {
  const say = useNotice();
  const [saved, setSaved] = useState(first);
  const [number, setNumber] = useState(seen);
  const [changes, setChanges] = useState(first);
  const [theirs, setTheirs] = useState<RulebookNow | null>(null);
  const [picked, setPicked] = useState<{ readonly condition: string; readonly rule: Rule | null } | null>(null);
  const [effects, setEffects] = useState<readonly Changed[] | null>(null);
  const { run, refusal, busy, clear, refresh } = useAction();
  const rulebook = changedRulebook(changes);
  const touched = JSON.stringify(changes) !== JSON.stringify(saved);
  const change = (next: readonly RuleChange[]) => {
    setChanges(next);
    setEffects(null);
    setPicked(null);
    clear();
  };
  const look = async () => {
    const reply = await run(() => previewRulebookAction({ number, changes }));
    if (reply?.ok) setEffects(reply.value);
  };
  const save = async (over = number) => {
    const reply = await run(() => saveRulebookAction({ number: over, changes }));
    if (reply?.ok) {
      say(`Saved as version ${reply.value.number}. Decisions follow it from now on.`);
      return refresh();
    }
    const now = reply?.code === 'clash' ? await compareRulebookAction({ number, changes }) : null;
    if (now?.ok) setTheirs(now.value);
  };
  const settle = (now: RulebookNow, mine: boolean) => {
    setTheirs(null);
    setNumber(now.number);
    setSaved(now.changes);
    if (mine) return void save(now.number);
    change(now.changes);
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
                  <button
                    type="button"
                    className={styles.add}
                    aria-label={`Add a rule for ${conditionName(condition)}`}
                    onClick={() => setPicked({ condition, rule: null })}
                  >
                    add
                  </button>
                </th>
                {ANSWER_COLUMNS.map((answer) => (
                  <td key={answer}>
                    <RuleList
                      rules={rulebook.of(condition).filter((rule) => rule.answer === answer)}
                      onPick={(rule) => setPicked({ condition, rule })}
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
          <p>Pick a rule to answer it in another way, or add one to a condition.</p>
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
                  <Button
                    size="small"
                    onClick={() => change(changes.filter((_, other) => other !== index))}
                    aria-label={`Take back: ${changeText(one)}`}
                  >
                    Take back
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
        {effects && <Effects effects={effects} />}
        {theirs ? (
          <Clash differs={theirs.differs} onTheirs={() => settle(theirs, false)} onMine={() => settle(theirs, true)} />
        ) : (
          <Refusal message={refusal} />
        )}
        {touched && (
          <div className="row">
            <Button onClick={() => void look()}>What would change</Button>
            <Button variant="contained" disabled={effects === null || busy} onClick={() => void save()}>
              Save the rulebook
            </Button>
            <Button onClick={() => change(saved)}>Leave it as it was</Button>
          </div>
        )}
        {versions.length > 0 && (
          <section>
            <h2>Versions</h2>
            {versions.map(({ number: of, by, at, lines }) => (
              <Fold key={of} plain title={`v${of}`} aside={`${by}, ${at}`}>
                <ul className="small">
                  {lines.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </Fold>
            ))}
          </section>
        )}
      </Plank>
    </div>
  );
}

function RuleList({ rules, onPick }: { rules: readonly Rule[]; onPick: (rule: Rule) => void }) {
  return (
    <ul className="plain">
      {rules.map((rule) => {
        const text = `${ruleText(rule)}${rule.ours ? ' (ours)' : ''}`;
        return (
          <li key={rule.id}>
            {isShipped(rule) ? (
              <button type="button" className={rule.ours ? styles.ours : styles.rule} onClick={() => onPick(rule)}>
                {text}
              </button>
            ) : (
              <span className={styles.ours}>{text}</span>
            )}
          </li>
        );
      })}
    </ul>
  );
}

const SHIPPED_RULES = new Set(RULEBOOK.map(({ id }) => id));

/** Whether a rule is one of the shipped ones, changed or not; one of a studio's own is taken back and added anew. */
function isShipped({ id }: Rule): boolean {
  return SHIPPED_RULES.has(id);
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
