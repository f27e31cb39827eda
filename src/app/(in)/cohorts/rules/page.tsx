import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readRulebook } from '@/server/usecases/rules/rulebook';
import { RulebookEditor } from '@/ui/rules/RulebookEditor';

export const metadata: Metadata = { title: 'The rulebook' };

export default function RulesPage() {
  return seated(async (desk) => {
    const { changes, number, versions } = await readRulebook(desk);
    return (
      <>
        <h1>The rulebook</h1>
        <p className="lead">
          Usual cautions, gathered for planning. Have them read by a licensed professional before real use.{' '}
          {changes.length === 0
            ? 'Nothing in it is changed here.'
            : changes.length === 1
              ? 'One rule is this studio’s own.'
              : `${changes.length} rules are this studio’s own.`}
        </p>
        <RulebookEditor key={number} changes={changes} number={number} versions={versions} />
      </>
    );
  });
}
