import Link from 'next/link';
import { TECHNIQUES, type Technique } from '@/core/techniques';
import { figuresOf, type Figure, type Pace } from '@/core/timing';
import { BreathStrip } from '../figures/BreathStrip';
import styles from './Bench.module.css';

const COLUMNS: readonly (readonly [Figure['id'], string])[] = [
  ['cycle', 'a cycle'],
  ['total', 'as dosed'],
  ['pace', 'breaths a minute'],
  ['held', 'held'],
];

/** The ways one technique is done, side by side; what differs from this one is marked. */
export function Variants({ technique, pace }: { technique: Technique; pace: Pace }) {
  const variants = TECHNIQUES.filter(({ family }) => family === technique.family);
  if (variants.length < 2) return null;
  const figures = (of: Technique) => figuresOf(of.read.pattern, of.read.dose, pace);
  const value = (of: Technique, id: Figure['id']) => figures(of).find((figure) => figure.id === id)?.value ?? '–';
  return (
    <section style={{ marginTop: 22 }}>
      <h2>Ways of doing it</h2>
      <table className="figures sheet">
        <thead>
          <tr>
            <th scope="col" colSpan={2}>
              Variant
            </th>
            <th scope="col">Dose</th>
            {COLUMNS.map(([id, label]) => (
              <th key={id} scope="col">
                {label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {variants.map((variant) => {
            const here = variant.id === technique.id;
            return (
              <tr key={variant.id} aria-current={here ? 'true' : undefined}>
                <td style={{ width: 92 }}>
                  <BreathStrip pattern={variant.read.pattern} pace={pace} width={84} height={32} labels={false} title="" />
                </td>
                <td>{here ? <strong>{variant.name}</strong> : <Link href={`/techniques/${variant.id}`}>{variant.name}</Link>}</td>
                <td className="small">{variant.dose.split(',')[0]}</td>
                {COLUMNS.map(([id]) => (
                  <td key={id} className="num">
                    {here || value(variant, id) === value(technique, id) ? (
                      value(variant, id)
                    ) : (
                      <mark className={styles.differs}>{value(variant, id)}</mark>
                    )}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
