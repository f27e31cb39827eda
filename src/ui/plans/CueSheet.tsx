'use client';

import type { Cue } from '@/core/cues';
import { blockName, type Block } from '@/core/plan';
import { Fold } from '../shell/Fold';
import { useLibrary } from '../shell/Inside';

/** What is said when: minutes and seconds from the start of the class. */
export function CueSheet({ cues, blocks }: { cues: readonly Cue[]; blocks: readonly Block[] }) {
  const library = useLibrary();
  return (
    <Fold title="Cue sheet" aside={`${cues.length} lines`}>
      {blocks.map((block, index) => {
        const own = cues.filter((cue) => cue.block === index);
        if (own.length === 0) return null;
        return (
          <section key={block.id} style={{ paddingTop: 10 }}>
            <h3>{blockName(block, library)}</h3>
            <table>
              <tbody>
                {own.map((cue) => (
                  <tr key={`${cue.at} ${cue.say}`}>
                    <td className="num" style={{ paddingRight: 16, textAlign: 'right' }}>
                      {stamp(cue.at)}
                    </td>
                    <td className={cue.kind === 'call' || cue.kind === 'count' ? 'soft' : undefined}>{cue.say}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        );
      })}
    </Fold>
  );
}

function stamp(at: number): string {
  const seconds = Math.floor(at / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
