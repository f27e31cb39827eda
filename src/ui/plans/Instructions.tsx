'use client';

import Link from 'next/link';
import { blockName, type Block } from '@/core/plan';
import type { Answer } from '@/core/screening';
import type { ForPeople } from '@/views/plan';
import { Mark } from '../figures/Mark';
import { markOf } from '../figures/told';
import { useLibrary } from '../shell/Inside';

interface Props {
  readonly forPeople: ForPeople;
  /** For the director: clinicians' answers and overrides that act here. */
  readonly asides: readonly { readonly person: string; readonly name: string; readonly text: string }[];
  readonly blocks: readonly Block[];
  readonly asOf: string;
}

interface Line {
  readonly block: string;
  readonly name: string;
  readonly answer: Answer;
  readonly word: string;
  readonly text: string;
}

/** What is said to whom, whoever reads it. */
function linesOf(forPeople: ForPeople): readonly Line[] {
  return forPeople.for === 'director'
    ? forPeople.people.flatMap(({ name, instructions }) =>
        instructions.map(({ block, answer, text }) => ({ block, name, answer, word: answer, text })),
      )
    : forPeople.people.flatMap(({ name, instructions }) =>
        instructions.map((told) => ({ block: told.block, name, answer: markOf(told), word: told.mark, text: told.text })),
      );
}

/** Who does what instead, block by block; everybody else does it as taught. Never says why. */
export function Instructions({ forPeople, asides, blocks, asOf }: Props) {
  const library = useLibrary();
  const all = linesOf(forPeople);
  const concerned = blocks.map((block) => ({ block, lines: all.filter((line) => line.block === block.id) })).filter(({ lines }) => lines.length > 0);
  return (
    <section>
      <h2>For this cohort</h2>
      <p className="soft small">
        As of {asOf}, for the day of the class.{' '}
        {concerned.length === 0 ? 'Everyone does everything as taught.' : 'Whoever is not named does it as taught.'}
      </p>
      {concerned.map(({ block, lines }) => (
        <div key={block.id} style={{ padding: '8px 0', borderTop: '1px solid var(--rule)' }}>
          <h3>{blockName(block, library)}</h3>
          <ul className="plain">
            {group(lines).map(({ answer, word, text, names }) => (
              <li key={answer + text} style={{ display: 'flex', gap: 9, padding: '3px 0', alignItems: 'baseline' }}>
                <Mark answer={answer} word={word} size={28} />
                <span>
                  <strong>{names.join(', ')}</strong>: {text}
                </span>
              </li>
            ))}
          </ul>
        </div>
      ))}
      {asides.length > 0 && (
        <div style={{ padding: '8px 0', borderTop: '1px solid var(--rule)' }}>
          <h3>Set aside</h3>
          <ul className="plain small">
            {asides.map(({ person, name, text }) => (
              <li key={person + text}>
                <Link href={`/cohorts/people/${person}`} prefetch={false}>
                  {name}
                </Link>
                : {text}
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function group(lines: readonly Line[]) {
  const groups = new Map<string, Omit<Line, 'name' | 'block'> & { readonly names: readonly string[] }>();
  for (const { answer, word, text, name } of lines) {
    const key = word + text;
    groups.set(key, { answer, word, text, names: [...(groups.get(key)?.names ?? []), name] });
  }
  return [...groups.values()];
}
