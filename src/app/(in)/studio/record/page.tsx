import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readRecord } from '@/server/usecases/people/records';

export const metadata: Metadata = { title: 'The record' };

export default function RecordPage() {
  return seated(async (desk) => {
    const lines = await readRecord(desk);
    return (
      <>
        <h1>The record</h1>
        <p className="lead">
          Who read whose answers, when and why; clinicians’ answers and overrides. The newest {lines.length} entries; nothing here can be changed.
        </p>
        <table className="figures sheet">
          <thead>
            <tr>
              {['When', 'Who', 'Whose', 'What'].map((heading) => (
                <th key={heading} scope="col">
                  {heading}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map(({ when, who, whose, what }, index) => (
              <tr key={index}>
                <td style={{ whiteSpace: 'nowrap' }}>{when}</td>
                <td>{who}</td>
                <td>{whose}</td>
                <td>{what}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {lines.length === 0 && <p className="soft">Nothing was read yet.</p>}
      </>
    );
  });
}
