import type { NamedBlock } from '@/core/plan';
import { useLibrary } from '../shell/Inside';
import type { Draft } from './edit';

interface Line {
  readonly id: string;
  readonly name: string;
  readonly how: string;
}

/** Both versions of a plan, block by block: what only one has stands alone, and what differs is marked. */
export function BothVersions({ mine, theirs }: { mine: readonly Draft[]; theirs: readonly NamedBlock[] }) {
  const library = useLibrary();
  const own = mine.map(({ id, own: way, technique, part, pattern, dose, minutes }): Line => ({
    id,
    name: way?.name ?? library.find(technique ?? '')?.name ?? library.findPart(part ?? '')?.name ?? '',
    how: technique ? `${pattern}, ${dose}` : `${minutes} min`,
  }));
  const other = theirs.map((block): Line => ({
    id: block.id,
    name: block.name ?? '',
    how: block.kind === 'technique' ? `${block.pattern}, ${block.dose}` : `${block.minutes} min`,
  }));
  const ids = [...new Set([...own, ...other].map(({ id }) => id))];
  const of = (lines: readonly Line[], id: string) => lines.find((line) => line.id === id);
  return (
    <table className="figures small">
      <thead>
        <tr>
          <th scope="col">Yours</th>
          <th scope="col">Theirs</th>
        </tr>
      </thead>
      <tbody>
        {ids.map((id) => {
          const [a, b] = [of(own, id), of(other, id)];
          const same = a?.name === b?.name && a?.how === b?.how;
          return (
            <tr key={id} className={same ? 'soft' : undefined}>
              <Cell line={a} marked={!same} />
              <Cell line={b} marked={!same} />
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Cell({ line, marked }: { line: Line | undefined; marked: boolean }) {
  if (!line) return <td>–</td>;
  const text = `${line.name}: ${line.how}`;
  return <td>{marked ? <strong>{text}</strong> : text}</td>;
}
