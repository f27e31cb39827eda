import { useState } from 'react';
import { BY_TEXT, EYES, EYES_TEXT, KEPT_BY, MOVES, SEATS, SEAT_TEXT, type Eyes, type KeptBy, type Move, type Seat } from '@/core/techniques';
import { Claims, CompactField, WordChoice } from '../fields';
import type { Draft } from './edit';
import styles from './PlanBoard.module.css';

interface Props {
  readonly draft: Draft;
  readonly name: string;
  readonly problem?: string;
  readonly noteProblem?: string;
  readonly editable: boolean;
  readonly onEdit: (more: Partial<Draft>) => void;
}

/** How a block is done, in one line: seat, eyes, what keeps the time, what people do in it, and lines of one's own. */
export function SetupLine({ draft, name, problem, noteProblem, editable, onEdit }: Props) {
  const { setup } = draft;
  const [open, setOpen] = useState(draft.lines !== '' || draft.note !== '');
  const { seat, eyes, by, moves } = setup;
  const change = (more: Partial<typeof setup>) => onEdit({ setup: { ...setup, ...more } });
  const toggle = (move: Move) => change({ moves: MOVES.filter((one) => (one === move) !== moves.includes(one)) });
  return (
    <div className={styles.setup}>
      <WordChoice
        text={SEAT_TEXT[seat]}
        label={`Seat of ${name}`}
        editable={editable}
        options={SEATS.map((value) => ({ value, label: SEAT_TEXT[value], chosen: value === seat }))}
        onChoose={(value) => change({ seat: value as Seat })}
      />
      <WordChoice
        text={EYES_TEXT[eyes]}
        label={`Eyes in ${name}`}
        editable={editable}
        options={EYES.map((value) => ({ value, label: EYES_TEXT[value], chosen: value === eyes }))}
        onChoose={(value) => change({ eyes: value as Eyes })}
      />
      <WordChoice
        text={BY_TEXT[by]}
        label={`What keeps the time of ${name}`}
        editable={editable}
        options={KEPT_BY.map((value) => ({ value, label: BY_TEXT[value], chosen: value === by }))}
        onChoose={(value) => change({ by: value as KeptBy })}
      />
      <WordChoice
        text={moves.length > 0 ? moves.join(', ') : 'no movement'}
        label={`What people do in ${name}`}
        editable={editable}
        several
        options={MOVES.map((value) => ({ value, label: value, chosen: moves.includes(value) }))}
        onChoose={(value) => toggle(value as Move)}
      />
      {!editable && draft.lines && <span>“{draft.lines}”</span>}
      {!editable && draft.note && <span>Note: {draft.note}</span>}
      {editable && !open && (
        <button type="button" className={styles.more} onClick={() => setOpen(true)} aria-label={`Say or note something in ${name}`}>
          say or note …
        </button>
      )}
      {editable && open && (
        <>
          <CompactField
            id={`${draft.id}-lines`}
            label="Said in it"
            said={`Said in ${name}`}
            hideLabel
            placeholder="your line / another"
            value={draft.lines}
            problem={problem}
            onChange={(lines) => onEdit({ lines })}
          />
          <Claims text={draft.lines} onTake={(lines) => onEdit({ lines })} />
          <CompactField
            id={`${draft.id}-note`}
            label="Note to the teacher"
            said={`Note to the teacher about ${name}`}
            hideLabel
            placeholder="a note to the teacher"
            value={draft.note}
            problem={noteProblem}
            onChange={(note) => onEdit({ note })}
          />
        </>
      )}
    </div>
  );
}
