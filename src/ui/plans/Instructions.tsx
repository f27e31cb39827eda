import Link from 'next/link';
import { readBlock, type Block } from '@/core/plan';
import type { Instruction } from '@/server/usecases/instructions';
import { Mark } from '../figures/Mark';

interface Props {
  readonly people: readonly { readonly id: string; readonly name: string; readonly instructions: readonly Instruction[] }[];
  /** For the director: clinicians' answers and overrides that act here. */
  readonly asides: readonly { readonly person: string; readonly name: string; readonly text: string }[];
  readonly blocks: readonly Block[];
  readonly asOf: string;
}

/** Who does what instead, block by block; everybody else does it as taught. Never says why. */
export function Instructions({ people, asides, blocks, asOf }: Props) {
  const concerned = blocks
    .map((block) => ({
      block,
      lines: people.flatMap(({ id, name, instructions }) =>
        instructions.filter((one) => one.block === block.id).map((one) => ({ id, name, ...one })),
      ),
    }))
    .filter(({ lines }) => lines.length > 0);
  return (
    <section>
      <h2>For this cohort</h2>
      <p className="soft small">
        As of {asOf}, for the day of the class.{' '}
        {concerned.length === 0 ? 'Everyone does everything as taught.' : 'Whoever is not named does it as taught.'}
      </p>
      {concerned.map(({ block, lines }) => (
        <div key={block.id} style={{ padding: '8px 0', borderTop: '1px solid var(--rule)' }}>
          <h3>{readBlock(block).name}</h3>
          <ul className="plain">
            {group(lines).map(({ answer, text, names }) => (
              <li key={answer + text} style={{ display: 'flex', gap: 9, padding: '3px 0', alignItems: 'baseline' }}>
                <Mark answer={answer} size={28} />
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

function group(lines: readonly (Instruction & { readonly name: string })[]) {
  const groups = new Map<string, { answer: Instruction['answer']; text: string; names: string[] }>();
  for (const { answer, text, name } of lines) {
    const key = answer + text;
    groups.set(key, { answer, text, names: [...(groups.get(key)?.names ?? []), name] });
  }
  return [...groups.values()];
}
