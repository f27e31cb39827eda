import type { Told } from '@/core/instructions';
import { Mark } from '../figures/Mark';
import { markOf } from '../figures/told';

interface Props {
  readonly lines: readonly Told[];
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
}

/** What one person does differently, the same instruction for several blocks said once. */
export function InstructionLines({ lines, blocks }: Props) {
  const said = new Map<string, { readonly told: Told; readonly names: string[] }>();
  for (const told of lines) {
    const name = blocks.find(({ id }) => id === told.block)?.name ?? '';
    const line = said.get(told.mark + told.text) ?? { told, names: [] };
    if (!line.names.includes(name)) line.names.push(name);
    said.set(told.mark + told.text, line);
  }
  return (
    <ul className="plain">
      {[...said.values()].map(({ told, names }) => (
        <li key={told.mark + told.text} style={{ display: 'flex', gap: 8, alignItems: 'baseline', padding: '2px 0' }}>
          <Mark answer={markOf(told)} word={told.mark} size={28} />
          <span className="small">
            {names.join(', ')}: <strong>{told.text}</strong>
          </span>
        </li>
      ))}
    </ul>
  );
}
