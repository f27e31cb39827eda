'use client';

import { useState } from 'react';
import type { PersonView } from '@/views/person';
import { AboutPerson } from './AboutPerson';
import { Goodbye } from './Goodbye';

interface Props extends Pick<PersonView, 'person' | 'cohorts'> {
  readonly mayErase: boolean;
}

/** What the studio knows of a person, and their leaving: both go by the version that was saved last, not the one that was read. */
export function PersonDesk({ person: { id, leftOn, version: read, ...about }, cohorts, mayErase }: Props) {
  const [saved, setSaved] = useState(read);
  const version = Math.max(read, saved);
  return (
    <>
      <AboutPerson key={JSON.stringify(about)} id={id} person={{ ...about, version }} cohorts={cohorts} onSaved={setSaved} />
      <Goodbye person={{ ...about, id, version, leftOn }} mayErase={mayErase} />
    </>
  );
}
