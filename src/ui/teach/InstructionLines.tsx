import type { Instruction } from '@/server/usecases/instructions';
import { Mark } from '../figures/Mark';

interface Props {
  readonly lines: readonly Instruction[];
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
}

/** What one person does differently, the same instruction for several blocks said once. */
export function InstructionLines({ lines, blocks }: Props) {
  const said = new Map<string, { readonly answer: Instruction['answer']; readonly text: string; readonly names: string[] }>();
  for (const { block, answer, text } of lines) {
    const name = blocks.find(({ id }) => id === block)?.name ?? '';
    const line = said.get(answer + text) ?? { answer, text, names: [] };
    if (!line.names.includes(name)) line.names.push(name);
    said.set(answer + text, line);
  }
  return (
    <ul className="plain">
      {[...said.values()].map(({ answer, text, names }) => (
        <li key={answer + text} style={{ display: 'flex', gap: 8, alignItems: 'baseline', padding: '2px 0' }}>
          <Mark answer={answer} size={28} />
          <span className="small">
            {names.join(', ')}: <strong>{text}</strong>
          </span>
        </li>
      ))}
    </ul>
  );
}
