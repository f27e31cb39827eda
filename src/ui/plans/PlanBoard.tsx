'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { comparePlanAction, saveBlocksAction } from '@/app/actions/plans';
import type { Voice } from '@/core/plan';
import type { PlanNow, PlanView } from '@/views/plan';
import { Checks } from '../courses/Checks';
import { PickField, type Option } from '../fields';
import { Clash } from '../forms/Clash';
import { useAutosave } from '../forms/useAutosave';
import { Plank } from '../shell/Plank';
import { useLibrary } from '../shell/Inside';
import { BlockRow } from './BlockRow';
import { BothVersions } from './BothVersions';
import { Conversation } from './Conversation';
import { draftOf, newOwn, newPart, newTechnique, plannedMinutes, readDraft, toInput, type Draft, type Usual } from './edit';
import styles from './PlanBoard.module.css';
import { Publish } from './Publish';
import { SaidHere } from './SaidHere';
import { Templates } from './Templates';
import { VoiceFields } from './VoiceFields';

/** Undo goes back so many changes. */
const REMEMBERED = 30;

/** What is edited of a session: its blocks, what it is for, and what its teacher should know. */
interface Sheet extends Voice {
  readonly drafts: readonly Draft[];
}

/** A session's blocks, edited in place: minutes follow every keystroke, and what reads is saved as you go. */
export function PlanBoard({ plan }: { plan: PlanView }) {
  const { session, mayEdit } = plan;
  const router = useRouter();
  const library = useLibrary();
  const usual: Usual = { ...plan, library };
  const [sheet, setSheet] = useState<Sheet>(() => ({
    drafts: session.blocks.map((block) => draftOf(block, usual)),
    purpose: plan.purpose,
    note: plan.note,
  }));
  const [past, setPast] = useState<readonly Sheet[]>([]);
  const [undone, setUndone] = useState<readonly Sheet[]>([]);
  const input = ({ drafts, purpose, note }: Sheet, version: number) => ({ session: session.id, version, purpose, note, blocks: drafts.map(toInput) });
  const { saved, save, keep, version, clash, inTurn, settle } = useAutosave<Sheet, PlanNow>({
    key: `plan ${session.id}`,
    onFound: (value) => show(value),
    version: session.version,
    save: (value, at) => saveBlocksAction(input(value, at)),
    compare: (value, at) => comparePlanAction(input(value, at)),
    onSaved: () => router.refresh(),
  });
  const { drafts } = sheet;
  const reads = drafts.map((draft) => readDraft(draft, usual));
  const whole = reads.every(({ ok }) => ok);
  const show = (next: Sheet) => {
    setSheet(next);
    if (next.drafts.every((draft) => readDraft(draft, usual).ok)) save(next);
    else keep(next);
  };
  const change = (more: Partial<Sheet>) => {
    setPast([...past.slice(-REMEMBERED), sheet]);
    setUndone([]);
    show({ ...sheet, ...more });
  };
  const undo = () => {
    setUndone([...undone, sheet]);
    setPast(past.slice(0, -1));
    show(past[past.length - 1]);
  };
  const redo = () => {
    setPast([...past, sheet]);
    setUndone(undone.slice(0, -1));
    show(undone[undone.length - 1]);
  };
  const edit = (id: string, more: Partial<Draft>) => change({ drafts: drafts.map((draft) => (draft.id === id ? { ...draft, ...more } : draft)) });
  const shift = (index: number, by: number) => {
    const next = [...drafts];
    const [draft] = next.splice(index, 1);
    next.splice(index + by, 0, draft);
    change({ drafts: next });
  };
  const add = (draft: Draft) => {
    const at = Math.max(0, drafts.length - 2);
    change({ drafts: [...drafts.slice(0, at), draft, ...drafts.slice(at)] });
  };
  const takeTheirs = (theirs: PlanNow) => {
    setPast([...past.slice(-REMEMBERED), sheet]);
    setSheet({ drafts: theirs.blocks.map((block) => draftOf(block, usual)), purpose: theirs.purpose, note: theirs.note });
    settle(theirs.version, null);
    router.refresh();
  };
  return (
    <>
      <SaidHere plan={plan} inTurn={inTurn} now={() => comparePlanAction(input(sheet, version))} onAnswered={takeTheirs} />
      <Minutes planned={plannedMinutes(reads)} minutes={session.minutes} whole={whole} saved={saved} />
      {clash && (
        <Clash differs={clash.differs} onTheirs={() => takeTheirs(clash)} onMine={() => settle(clash.version, sheet)}>
          <BothVersions mine={sheet} theirs={clash} />
        </Clash>
      )}
      <div className="two">
        <div>
          <VoiceFields voice={sheet} drafted={plan.drafted} editable={mayEdit} onChange={change} />
          <ol className={styles.blocks}>
            {drafts.map((draft, index) => (
              <BlockRow
                key={draft.id}
                draft={draft}
                read={reads[index]}
                naturalBreath={plan.naturalBreath}
                editable={mayEdit}
                onEdit={(more) => edit(draft.id, more)}
                onUp={index > 0 ? () => shift(index, -1) : null}
                onDown={index < drafts.length - 1 ? () => shift(index, 1) : null}
                onLeaveOut={() => change({ drafts: drafts.filter(({ id }) => id !== draft.id) })}
              />
            ))}
          </ol>
          {mayEdit && (
            <>
              <div className="row noprint" style={{ marginTop: 12, flexWrap: 'nowrap' }}>
                <AddBlock plan={plan} usual={usual} onAdd={add} />
                <Button disabled={past.length === 0} onClick={undo}>
                  Undo
                </Button>
                <Button disabled={undone.length === 0} onClick={redo}>
                  Redo
                </Button>
              </div>
              <Templates
                plan={plan}
                empty={drafts.length === 0}
                onTake={(blocks) => change({ drafts: blocks.map((block) => draftOf(block, usual)) })}
              />
            </>
          )}
        </div>
        <Plank>
          <Publish plan={plan} ready={whole && !saved?.bad && clash === null} inTurn={inTurn} onDone={router.refresh} />
          <Conversation session={session.id} said={plan.conversation} />
          <Checks checks={plan.checks} onMend={null} busy={false} days={false} />
        </Plank>
      </div>
    </>
  );
}

interface MinutesProps {
  readonly planned: number;
  readonly minutes: number;
  readonly whole: boolean;
  readonly saved: { readonly text: string; readonly bad: boolean } | null;
}

/** How the minutes stand, and whether what is here is kept. */
function Minutes({ planned, minutes, whole, saved }: MinutesProps) {
  return (
    <p className="lead" aria-live="polite">
      <span className="num">{planned}</span> of <span className="num">{minutes}</span> minutes
      {planned > minutes ? (
        <strong className="error">, {planned - minutes} too many</strong>
      ) : planned < minutes ? (
        `, ${minutes - planned} free`
      ) : (
        ', full'
      )}
      .{' '}
      {!whole ? (
        <span className="error">Not saved while a line does not read.</span>
      ) : (
        saved && <span className={saved.bad ? 'error' : 'soft'}>{saved.text}</span>
      )}
    </p>
  );
}

/** A technique, a way of the studio's own, or a part, found by typing. */
function AddBlock({ plan, usual, onAdd }: { plan: PlanView; usual: Usual; onAdd: (draft: Draft) => void }) {
  const { library } = usual;
  const options: readonly Option[] = [
    ...plan.ownWays.map(({ id, name }) => ({ value: `own/${id}`, label: name, group: 'Our own ways' })),
    ...library.techniques.map(({ id, name }) => ({ value: `technique/${id}`, label: name, group: 'Techniques' })),
    ...library.parts.map(({ id, name }) => ({ value: `part/${id}`, label: name, group: 'Parts' })),
  ];
  const pick = (value: string) => {
    const [kind, id] = [value.slice(0, value.indexOf('/')), value.slice(value.indexOf('/') + 1)];
    const way = plan.ownWays.find((one) => one.id === id);
    onAdd(kind === 'part' ? newPart(newId(), id, usual) : way ? newOwn(newId(), way, usual) : newTechnique(newId(), id, usual));
  };
  return (
    <PickField
      id="add"
      label="Add a technique or a part"
      hideLabel
      placeholder="Add a technique or a part"
      value=""
      empties
      onChange={pick}
      options={options}
      sx={{ width: 340, flexShrink: 0 }}
    />
  );
}
