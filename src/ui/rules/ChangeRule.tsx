'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import {
  adaptationsFor,
  adaptationText,
  ANSWERS,
  changeProblem,
  FEATURE_CHOICES,
  featureName,
  isLooser,
  RULEBOOK,
  type Adaptation,
  type Answer,
  type Rule,
  type RuleChange,
} from '@/core/screening';
import { v7 as newId } from 'uuid';
import { ChoiceField, NumberField } from '../fields';
import { conditionName } from './words';
import { Form } from '../forms/Form';

interface Props {
  readonly condition: string;
  /** Null for a rule of the studio's own. */
  readonly rule: Rule | null;
  readonly onChange: (change: RuleChange) => void;
  readonly onLeave: () => void;
}

/** One rule answered in another way, or a new one: stricter freely, looser with a reason and a reviewer. */
export function ChangeRule({ condition, rule, onChange, onLeave }: Props) {
  const shipped = rule && RULEBOOK.find(({ id }) => id === rule.id)!;
  const [answer, setAnswer] = useState<Answer>(rule?.answer ?? 'watch');
  const [featureIndex, setFeature] = useState(0);
  const [adaptationIndex, setAdaptation] = useState(0);
  const [seconds, setSeconds] = useState(rule?.adaptation?.to === 'cap hold in' ? String(rule.adaptation.seconds) : '4');
  const [reason, setReason] = useState('');
  const [reviewer, setReviewer] = useState('');
  const [ownId] = useState<string>(() => newId());
  const feature = shipped?.feature ?? FEATURE_CHOICES[featureIndex];
  const fitting = adaptationsFor(feature);
  const chosen: Adaptation | null = answer === 'adapt' ? (fitting[adaptationIndex] ?? null) : null;
  const adaptation = chosen?.to === 'cap hold in' ? { ...chosen, seconds: Number(seconds) } : chosen;
  const about = { reason, reviewer, answer, adaptation };
  const change: RuleChange = rule
    ? { kind: 'change', rule: rule.id, ...about }
    : { kind: 'add', id: ownId, condition, feature, ...about, answer: answer === 'clear' ? 'watch' : answer };
  const looser = isLooser(change);
  const problem = changeProblem(change);
  return (
    <Form
      className="stack"
      form={{
        send: (event) => {
          event?.preventDefault();
          if (!problem) onChange(change);
        },
      }}
    >
      <h2>{rule ? conditionName(condition) : `A rule for ${conditionName(condition)}`}</h2>
      {rule ? (
        <p>
          {featureName(feature)}, shipped as <strong>{shipped!.answer}</strong>
          {shipped!.adaptation ? `: ${adaptationText(shipped!.adaptation)}` : ''}
        </p>
      ) : (
        <Select
          label="Looks at"
          value={featureIndex}
          onChange={(value) => (setFeature(Number(value)), setAdaptation(0))}
          options={FEATURE_CHOICES.map((one, index) => [index, featureName(one)])}
        />
      )}
      <Select
        label="Answer"
        value={answer}
        onChange={(value) => setAnswer(value as Answer)}
        options={ANSWERS.filter((one) => rule || one !== 'clear').map((one) => [one, one])}
      />
      {answer === 'adapt' && fitting.length > 0 && (
        <Select
          label="How"
          value={adaptationIndex}
          onChange={(value) => setAdaptation(Number(value))}
          options={fitting.map((one, index) => [index, one.to === 'cap hold in' ? 'a hold of at most so many seconds' : adaptationText(one)])}
        />
      )}
      {adaptation?.to === 'cap hold in' && <NumberField id="cap" label="Seconds" value={seconds} onChange={setSeconds} least={1} most={60} />}
      {looser && (
        <>
          <p className="note">Looser than the shipped rulebook. Say why, and who reviewed it.</p>
          <TextField id="rule-reason" label="Reason" value={reason} onChange={(event) => setReason(event.target.value)} multiline />
          <TextField id="reviewer" label="Reviewed by" value={reviewer} onChange={(event) => setReviewer(event.target.value)} />
        </>
      )}
      {problem && <p className="small soft">{problem}</p>}
      <div className="row">
        <Button type="submit" variant="contained" disabled={problem !== null}>
          {rule ? 'Change the rule' : 'Add the rule'}
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </div>
    </Form>
  );
}

interface SelectProps {
  readonly label: string;
  readonly value: string | number;
  readonly options: readonly (readonly [string | number, string])[];
  readonly onChange: (value: string) => void;
}

function Select({ label, value, options, onChange }: SelectProps) {
  return (
    <ChoiceField
      id={`rule-${label}`}
      label={label}
      value={String(value)}
      onChange={onChange}
      options={options.map(([id, text]) => ({ value: String(id), label: text }))}
    />
  );
}
