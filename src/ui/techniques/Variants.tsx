import Link from 'next/link';
import { taughtAs, type StudioSchools } from '@/core/conventions';
import { mustParseDose, mustParsePattern } from '@/core/pattern';
import type { Technique } from '@/core/techniques';
import { figuresOf, type Figure, type Pace } from '@/core/timing';
import { BreathStrip } from '../figures/BreathStrip';
import styles from './Bench.module.css';
import { TakeWays } from './TakeWays';

const COLUMNS: readonly (readonly [Figure['id'], string])[] = [
  ['cycle', 'a cycle'],
  ['total', 'as dosed'],
  ['pace', 'breaths a minute'],
  ['held', 'held'],
];

interface Props {
  readonly technique: Technique;
  /** Every technique of the library. */
  readonly techniques: readonly Technique[];
  readonly pace: Pace;
  readonly schools: StudioSchools;
}

/** The ways one technique is done, side by side; what differs from this one is marked. */
export function Variants({ technique, techniques, pace, schools }: Props) {
  const variants = techniques.filter(({ family }) => family === technique.family);
  if (variants.length < 2) return null;
  const taught = new Map(variants.map((variant) => [variant.id, taughtAs(variant, schools)]));
  const read = (of: Technique) => ({ pattern: mustParsePattern(taught.get(of.id)!.pattern), dose: mustParseDose(taught.get(of.id)!.dose) });
  const figures = (of: Technique) => figuresOf(read(of).pattern, read(of).dose, pace);
  const value = (of: Technique, id: Figure['id']) => figures(of).find((figure) => figure.id === id)?.value ?? '–';
  return (
    <section style={{ marginTop: 22 }}>
      <div className="head">
        <h2>Ways of doing it</h2>
        <TakeWays file={technique.family} ways={variants.map(({ id, name }) => ({ name, base: id, ...taught.get(id)! }))} />
      </div>
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
                  <BreathStrip pattern={read(variant).pattern} pace={pace} width={84} height={32} labels={false} title="" />
                </td>
                <td>{here ? <strong>{variant.name}</strong> : <Link href={`/techniques/${variant.id}`}>{variant.name}</Link>}</td>
                <td className="small">{taught.get(variant.id)!.dose.split(',')[0]}</td>
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
