'use client';

import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useDeferredValue, useMemo, useState } from 'react';
import { taughtAs, type StudioSchools } from '@/core/conventions';
import { mustParsePattern, plainPatterns } from '@/core/pattern';
import { searchTechniques, sharedAliases, type Hour, type Technique } from '@/core/techniques';
import type { Reach } from '@/views/technique';
import { millis } from '@/core/units';
import { whoMayAction } from '@/app/actions/techniques';
import { ChoiceField } from '../fields';
import { useLibrary } from '../shell/Inside';
import { BreathStrip } from '../figures/BreathStrip';
import styles from './Finder.module.css';

type Phases = (technique: Technique, kinds: readonly string[]) => boolean;
const phases: Phases = ({ read }, kinds) =>
  plainPatterns(read.pattern).some((plain) => plain.kind === 'cycle' && plain.phases.some(({ kind }) => kinds.includes(kind)));
const kind = ({ read }: Technique, of: string) => plainPatterns(read.pattern).some((plain) => plain.kind === of);
const phase = ({ read }: Technique, test: (phase: { readonly side: string; readonly manner: string | null }) => boolean) =>
  plainPatterns(read.pattern).some((plain) => plain.kind === 'cycle' && plain.phases.some(test));

/** Ways of doing it that people look for. */
const MANNERS: Readonly<Record<string, (technique: Technique) => boolean>> = {
  'without holds': (technique) => !phases(technique, ['hold', 'empty']),
  'with holds': (technique) => phases(technique, ['hold', 'empty']),
  'through one side': (technique) => phase(technique, ({ side }) => side !== 'both'),
  'with a sound': (technique) => phase(technique, ({ manner }) => manner !== null && ['throat', 'strong throat', 'hiss', 'hum'].includes(manner)),
  pumps: (technique) => kind(technique, 'pumps'),
  connected: (technique) => kind(technique, 'connected'),
};

interface Props {
  readonly tempo: number;
  readonly naturalBreath: number;
  readonly schools: StudioSchools;
  readonly cohorts: readonly { readonly id: string; readonly name: string }[];
  /** The studio's own ways, found by their names. */
  readonly ways: readonly { readonly id: string; readonly name: string; readonly number: number }[];
}

/** Finds techniques by any alias, misspelling or pattern, and narrows them by rung, hour, manner and who may do them. */
export function Finder({ tempo, naturalBreath, schools, cohorts, ways }: Props) {
  const { techniques, families } = useLibrary();
  const aliases = useMemo(() => sharedAliases(families), [families]);
  const [query, setQuery] = useState('');
  const [rung, setRung] = useState('');
  const [hour, setHour] = useState('');
  const [manner, setManner] = useState('');
  const [cohortId, setCohort] = useState('');
  const [cohort, setReach] = useState<Reach | null>(null);
  const [refused, setRefused] = useState('');
  const pickCohort = async (id: string) => {
    setCohort(id);
    setReach(null);
    setRefused('');
    if (!id) return;
    const reply = await whoMayAction({ id });
    if (reply.ok) setReach(reply.value);
    else setRefused(reply.message);
  };
  const asked = useDeferredValue(query);
  const found = useMemo(
    () =>
      searchTechniques(techniques, asked).filter(
        (technique) =>
          (!rung || technique.rung === Number(rung)) &&
          (!hour || technique.taughtAt.includes(hour as Hour)) &&
          (!manner || MANNERS[manner](technique)) &&
          (!cohort || cohort.able[technique.id] === cohort.people),
      ),
    [techniques, asked, rung, hour, manner, cohort],
  );
  const shared = aliases.get(asked.trim().toLowerCase());
  const narrowed = asked || rung || hour || manner || cohort;
  return (
    <aside className={styles.finder} aria-label="Find a technique">
      <TextField
        id="find"
        label="Find a technique"
        type="search"
        value={query}
        onChange={(event) => setQuery(event.target.value)}
        placeholder="box, ujjayi, 4:7 …"
      />
      <div className={styles.filters} role="group" aria-label="Narrow down">
        <Pick label="Rung" value={rung} onChange={setRung} options={['1', '2', '3', '4'].map((one) => [one, `rung ${one}`])} any="any rung" />
        <Pick label="Time of day" value={hour} onChange={setHour} options={['morning', 'day', 'evening'].map((one) => [one, one])} any="any hour" />
        <Pick label="Manner" value={manner} onChange={setManner} options={Object.keys(MANNERS).map((one) => [one, one])} any="any manner" />
        {cohorts.length > 0 && (
          <Pick
            label="Cohort"
            value={cohortId}
            onChange={(id) => void pickCohort(id)}
            options={cohorts.map(({ id, name }) => [id, `all of ${name}`])}
            any="any cohort"
          />
        )}
      </div>
      <p className="small soft" aria-live="polite">
        {refused
          ? refused
          : shared
            ? `“${asked}” names more than one: ${shared.join('; ')}.`
            : narrowed && found.length === 0
              ? 'Nothing fits. Try another name, or write its pattern on the bench.'
              : narrowed
                ? `${found.length} found${cohort ? ', which nobody there leaves out or must ask about today' : ''}`
                : 'from the ground up'}
      </p>
      {ways.length > 0 && (
        <ul className="plain" aria-label="Our own ways">
          {ways
            .filter(({ name }) => name.toLowerCase().includes(asked.trim().toLowerCase()))
            .map(({ id, name, number }) => (
              <li key={id}>
                <Link href={`/techniques/ours/${id}`} className={styles.own}>
                  {name} <span className="soft small">ours, v{number}</span>
                </Link>
              </li>
            ))}
        </ul>
      )}
      <ul className="plain">
        {found.map((technique) => (
          <li key={technique.id}>
            <Link href={`/techniques/${technique.id}`} className={styles.hit}>
              <span className={styles.mini}>
                <BreathStrip
                  pattern={mustParsePattern(taughtAs(technique, schools).pattern)}
                  pace={{ tempo: millis(tempo), naturalBreath: millis(naturalBreath) }}
                  width={92}
                  height={34}
                  labels={false}
                  title=""
                />
              </span>
              <span>
                {technique.name}
                <span className="soft small"> rung {technique.rung}</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </aside>
  );
}

interface PickProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly options: readonly (readonly [string, string])[];
  readonly any: string;
}

function Pick({ label, value, onChange, options, any }: PickProps) {
  return (
    <ChoiceField
      id={`find-${label}`}
      label={label}
      hideLabel
      value={value}
      onChange={onChange}
      options={[{ value: '', label: any }, ...options.map(([id, text]) => ({ value: id, label: text }))]}
    />
  );
}
