import type { NamedBlock, Voice } from '@/core/plan';
import { useLibrary } from '../shell/Inside';
import type { Draft } from './edit';

interface Line {
  readonly id: string;
  readonly name: string;
  readonly how: string;
}

interface Props {
  readonly mine: Voice & { readonly drafts: readonly Draft[] };
  readonly theirs: Voice & { readonly blocks: readonly NamedBlock[] };
}

/** What is said with a plan, as lines beside its blocks; what is not said has none. */
const voiced = ({ purpose, note }: Voice): Line[] => [
  ...(purpose ? [{ id: 'purpose', name: 'For today', how: purpose }] : []),
  ...(note ? [{ id: 'note', name: 'To the teacher', how: note }] : []),
];

/** Both versions of a plan, block by block: what only one has stands alone, and what differs is marked. */
export function BothVersions({ mine, theirs }: Props) {
  const library = useLibrary();
  const blocks = mine.drafts.map(({ id, own: way, technique, part, pattern, dose, minutes }): Line => ({
    id,
    name: way?.name ?? library.find(technique ?? '')?.name ?? library.findPart(part ?? '')?.name ?? '',
    how: technique ? `${pattern}, ${dose}` : `${minutes} min`,
  }));
  const theirBlocks = theirs.blocks.map((block): Line => ({
    id: block.id,
    name: block.name ?? '',
    how: block.kind === 'technique' ? `${block.pattern}, ${block.dose}` : `${block.minutes} min`,
  }));
  const own = [...voiced(mine), ...blocks];
  const other = [...voiced(theirs), ...theirBlocks];
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
