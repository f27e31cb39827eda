'use client';

import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { blockSourcesAction, removeTemplateAction, saveTemplateAction, takeBlocksAction } from '@/app/actions/plans';
import type { Block } from '@/core/plan';
import { templateForm } from '@/forms';
import type { BlockSources, PlanView } from '@/views/plan';
import { PickField } from '../fields';
import { Field, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useAction } from '../forms/useAction';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';
import { Fold } from '../shell/Fold';

interface Props {
  readonly plan: Pick<PlanView, 'session'>;
  /** Nothing stands in the class yet: what is taken overwrites nothing. */
  readonly empty: boolean;
  readonly onTake: (blocks: readonly Block[]) => void;
}

/** Blocks from a template or another class, in place of what is here; and this class kept as a template. */
export function Templates(props: Props) {
  return (
    <div className="noprint" style={{ marginTop: 12 }}>
      <Fold plain title="Templates and blocks of other classes">
        <div className="stack" style={{ paddingTop: 8, maxWidth: 520 }}>
          <Opened {...props} />
        </div>
      </Fold>
    </div>
  );
}

function Opened({ plan: { session }, empty, onTake }: Props) {
  const say = useNotice();
  const [from, setFrom] = useState('');
  const { run, refusal, busy, refresh } = useAction();
  const { sources, find, again } = useSources(session.id, run);
  const form = useForm(templateForm, { session: session.id, name: '' }, saveTemplateAction, ({ name }, { reset }, show) => {
    say(`${name} is kept: take it into any class.`);
    reset();
    again();
    show();
  });
  const take = async () => {
    const [kind, id] = from.split('/');
    const reply = await run(() => takeBlocksAction({ from: kind as 'template' | 'class', id }));
    if (!reply?.ok) return;
    onTake(reply.value.blocks);
    say(empty ? 'The blocks are here.' : 'The blocks stand in place of what was here; Undo brings it back.');
    setFrom('');
  };
  const chosen = sources.templates.find(({ id }) => from === `template/${id}`);
  const remove = async () => {
    if (!chosen) return;
    const reply = await run(() => removeTemplateAction({ id: chosen.id, version: chosen.version }));
    if (reply?.ok) say(`${chosen.name} is no longer a template.`);
    setFrom('');
    again();
    refresh();
  };
  return (
    <>
      <PickField
        id="take"
        label="Take the blocks of"
        value={from}
        onChange={setFrom}
        onType={find}
        options={[
          ...sources.templates.map(({ id, name, minutes }) => ({ value: `template/${id}`, label: `${name}, ${minutes} min`, group: 'Templates' })),
          ...sources.classes.map(({ id, name }) => ({ value: `class/${id}`, label: name, group: 'Classes' })),
        ]}
      />
      <div className="row">
        <Button disabled={busy || from === ''} onClick={() => void take()}>
          {empty ? 'Take them' : 'Take them in place of these'}
        </Button>
        {chosen && (
          <Button disabled={busy} onClick={() => void remove()}>
            No longer a template
          </Button>
        )}
      </div>
      <Refusal message={refusal} />
      {!empty && (
        <Form form={form} className="stack">
          <Field form={form} name="name" id="template-name" label="Keep this class as a template called" />
          <Refusal message={form.refusal} />
          <div>
            <Button type="submit" disabled={form.busy}>
              Keep it
            </Button>
          </div>
        </Form>
      )}
    </>
  );
}

/** How long after a key it is asked for what was typed, in milliseconds. */
const TYPED_MS = 250;

/** What blocks can be taken from: the nearest, and whatever was found by typing. */
function useSources(session: string, run: ReturnType<typeof useAction>['run']) {
  const [sources, setSources] = useState<BlockSources>({ templates: [], classes: [] });
  const later = useRef<ReturnType<typeof setTimeout>>(undefined);
  const ask = async (name: string) => {
    const reply = await run(() => blockSourcesAction({ session, name }));
    if (!reply?.ok) return;
    const { templates, classes } = reply.value;
    setSources((known) => ({
      templates,
      classes: [...known.classes, ...classes.filter(({ id }) => !known.classes.some((one) => one.id === id))],
    }));
  };
  const first = useRef(ask);
  useEffect(() => {
    void first.current('');
    return () => clearTimeout(later.current);
  }, []);
  const find = (text: string) => {
    clearTimeout(later.current);
    later.current = setTimeout(() => void ask(text), TYPED_MS);
  };
  return { sources, find, again: () => void ask('') };
}
