import { heightOf, needsOf, opens } from '@/core/ladder';
import type { Library } from '@/core/library';

export const NODE = { width: 79, height: 42 } as const;
const STEP = { across: 84, up: 56 } as const;

export interface LaidNode {
  readonly id: string;
  readonly name: string;
  readonly rung: number;
  readonly x: number;
  readonly y: number;
}

export interface LaidLadder {
  readonly width: number;
  readonly height: number;
  readonly nodes: readonly LaidNode[];
  readonly byId: ReadonlyMap<string, LaidNode>;
  readonly beams: readonly number[];
}

/** Lays the prerequisite graph out from the ground up: height by the longest way down, sideways near what it stands on and carries. */
export function layOut({ techniques, edges }: Pick<Library, 'techniques' | 'edges'>): LaidLadder {
  const heights = new Map(techniques.map(({ id }) => [id, heightOf(edges, id)]));
  const tallest = Math.max(...heights.values());
  const rows = Array.from({ length: tallest + 1 }, (_, height) => techniques.filter(({ id }) => heights.get(id) === height).map(({ id }) => id));
  const widest = Math.max(...rows.map((row) => row.length));
  const x = new Map<string, number>();
  const middle = (widest - 1) / 2;
  const pull = (id: string, neighbours: readonly string[]) => {
    const placed = neighbours.flatMap((other) => x.get(other) ?? []);
    return placed.length > 0 ? placed.reduce((sum, at) => sum + at, 0) / placed.length : (x.get(id) ?? middle);
  };
  const settle = (row: readonly string[], neighboursOf: (id: string) => readonly string[]) => {
    const wanted = row.map((id) => ({ id, at: pull(id, neighboursOf(id)) })).sort((a, b) => a.at - b.at);
    const average = wanted.reduce((sum, { at }) => sum + at, 0) / wanted.length;
    const left = Math.min(Math.max(0, average - (wanted.length - 1) / 2), widest - wanted.length);
    // Everyone as near to where they are pulled as the neighbours' elbows allow.
    let least = -Infinity;
    const slots = wanted.map(({ id, at }, index) => {
      const most = widest - wanted.length + index;
      least = Math.max(least + 1, Math.min(Math.max(at, left + index - 1.5), most), index);
      return { id, at: least };
    });
    for (const { id, at } of slots) x.set(id, at);
  };
  const below = (id: string) => needsOf(edges, id).map(({ needs }) => needs);
  const above = (id: string) => opens(edges, id).map(({ to }) => to);
  for (let pass = 0; pass < 6; pass += 1) {
    for (const row of rows) settle(row, pass === 0 ? below : (id) => [...below(id), ...above(id)]);
  }
  const width = widest * STEP.across;
  const height = rows.length * STEP.up + 6;
  const nodes = techniques.map(({ id, name, rung }): LaidNode => ({
    id,
    name,
    rung,
    x: ((x.get(id) ?? 0) + 0.5) * STEP.across,
    y: height - ((heights.get(id) ?? 0) + 0.5) * STEP.up - 3,
  }));
  return {
    width,
    height,
    nodes,
    byId: new Map(nodes.map((node) => [node.id, node])),
    beams: rows.map((_, index) => height - (index + 0.5) * STEP.up - 3),
  };
}
