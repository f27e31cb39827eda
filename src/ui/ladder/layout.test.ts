import { needsOf } from '@/core/ladder';
import { SHIPPED_LIBRARY } from '@/core/library';
import { layOut, NODE } from './layout';

const { edges: LADDER, techniques: TECHNIQUES } = SHIPPED_LIBRARY;
const LAID = layOut(SHIPPED_LIBRARY);

test('the ladder grows upwards: what is needed stands below, and nothing covers anything else', () => {
  expect(LAID.nodes).toHaveLength(TECHNIQUES.length);
  for (const node of LAID.nodes) {
    for (const { needs } of needsOf(LADDER, node.id)) expect(LAID.byId.get(needs)!.y).toBeGreaterThan(node.y);
    expect(node.x - NODE.width / 2).toBeGreaterThanOrEqual(0);
    expect(node.x + NODE.width / 2).toBeLessThanOrEqual(LAID.width);
    expect(node.y - NODE.height / 2).toBeGreaterThanOrEqual(0);
    expect(node.y + NODE.height / 2).toBeLessThanOrEqual(LAID.height);
    const covers = LAID.nodes.filter(
      (other) => other !== node && Math.abs(other.x - node.x) < NODE.width && Math.abs(other.y - node.y) < NODE.height,
    );
    expect(covers).toEqual([]);
  }
});

test('beams run through the middle of every row', () => {
  const rows = new Set(LAID.nodes.map(({ y }) => y));
  expect([...rows].every((y) => LAID.beams.includes(y))).toBe(true);
});
