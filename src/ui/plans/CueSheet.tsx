import type { Cue } from '@/core/cues';
import { readBlock, type Block } from '@/core/plan';

/** What is said when: minutes and seconds from the start of the class. */
export function CueSheet({ cues, blocks }: { cues: readonly Cue[]; blocks: readonly Block[] }) {
  return (
    <details style={{ marginTop: 18 }}>
      <summary>
        <h2 style={{ display: 'inline' }}>Cue sheet</h2> <span className="soft small">{cues.length} lines</span>
      </summary>
      {blocks.map((block, index) => {
        const own = cues.filter((cue) => cue.block === index);
        if (own.length === 0) return null;
        return (
          <section key={block.id} style={{ paddingTop: 10 }}>
            <h3>{readBlock(block).name}</h3>
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
    </details>
  );
}

function stamp(at: number): string {
  const seconds = Math.floor(at / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
