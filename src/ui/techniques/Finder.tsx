'use client';

import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useDeferredValue, useMemo, useState } from 'react';
import { searchTechniques, sharedAliases } from '@/core/techniques';
import { millis } from '@/core/units';
import { BreathStrip } from '../figures/BreathStrip';
import styles from './Finder.module.css';

const SHARED = sharedAliases();

/** Finds techniques by any alias, misspelling or pattern. */
export function Finder({ tempo, naturalBreath }: { tempo: number; naturalBreath: number }) {
  const [query, setQuery] = useState('');
  const asked = useDeferredValue(query);
  const found = useMemo(() => searchTechniques(asked), [asked]);
  const shared = SHARED.get(asked.trim().toLowerCase());
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
      <p className="small soft" aria-live="polite">
        {shared
          ? `“${asked}” names more than one: ${shared.join('; ')}.`
          : asked && found.length === 0
            ? 'Nothing is called that. Try another name, or write its pattern on the bench.'
            : asked
              ? `${found.length} found`
              : 'from the ground up'}
      </p>
      <ul className="plain">
        {found.map((technique) => (
          <li key={technique.id}>
            <Link href={`/techniques/${technique.id}`} className={styles.hit}>
              <span className={styles.mini}>
                <BreathStrip
                  pattern={technique.read.pattern}
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
