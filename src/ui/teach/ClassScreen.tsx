'use client';

import Dialog from '@mui/material/Dialog';
import { useEffect, useMemo, useState } from 'react';
import { v7 as newId } from 'uuid';
import { layOut, momentAt, phaseText, positionAt, secondAt, type Moment, type PlayerMove, type Second } from '@/core/cues';
import { doorKey, inStepText, type InStep } from '@/core/screening';
import { changeLine, changesBetween, shortenTo } from '@/core/plan';
import { clockText, untilClock } from '@/core/units';
import { keepWaiting, sendWaiting } from '../device';
import { useLibrary } from '../shell/Inside';
import type { ClassView } from '@/views/teach';
import { Rails } from './Rails';
import { deviceClock, doorOf, moved, playedUntil, type Run } from './run';
import styles from './ClassScreen.module.css';
import { useAwake, usePosition, useTones } from './stage';

interface Props {
  readonly room: ClassView;
  readonly run: Run;
  readonly change: (more: Partial<Run>) => void;
}

/** The class itself, legible at three metres. Every key has a large tap target beside it; nothing here needs a network. */
export function ClassScreen({ room, run, change }: Props) {
  const library = useLibrary();
  const basis = useMemo(() => ({ library, naturalBreath: room.naturalBreath }), [library, room.naturalBreath]);
  const line = useMemo(() => (run.shortened ? layOut(run.shortened, basis, room.speech) : room.line), [room, run.shortened, basis]);
  const position = usePosition(run.player, line);
  const moment = momentAt(line, position);
  const [listing, setListing] = useState(false);
  const [said, setSaid] = useState('');
  useAwake(run.player.playing);
  useTones(run.tones && run.player.playing, moment?.segment ?? null);
  const go = (move: PlayerMove) => change(moved(run, move, line));
  const keys: readonly Key[] = [
    { label: run.player.playing ? 'Pause' : 'Go on', key: ' ', sign: 'space', act: () => go(run.player.playing ? 'pause' : 'play') },
    { label: 'Again', key: 'a', sign: 'A', act: () => go('again') },
    { label: 'Back', key: 'ArrowLeft', sign: '←', act: () => go('previous block') },
    { label: `End by ${room.endsAt}`, key: 'e', sign: 'E', act: () => endInTime() },
    { label: 'Next block', key: 'ArrowRight', sign: '→', act: () => go('next block') },
    { label: run.mirror ? 'My side' : 'Mirror', key: 'm', sign: 'M', act: () => change({ mirror: !run.mirror }) },
    { label: run.tones ? 'Tones off' : 'Tones on', key: 't', sign: 'T', act: () => change({ tones: !run.tones }) },
    { label: 'Who differs', key: 'w', sign: 'W', act: () => setListing(!listing) },
    {
      label: 'Stop sign',
      key: 's',
      sign: 'S',
      stop: true,
      act: () => moment && mark(moment),
    },
    { label: 'Door', key: 'd', sign: 'D', act: () => change({ stage: 'door' }) },
  ];
  /** A stop sign goes to the studio at once; whose it was and which is said in the log, where somebody can. */
  const mark = ({ block }: Moment) => {
    const sign = { id: newId(), place: `${clockText(position)} in, during ${block.name}`, person: null, sign: null, slip: false };
    change({ signs: [...run.signs, sign] });
    if (room.today)
      void keepWaiting('mark', { session: room.session.id, ...sign })
        .then(sendWaiting)
        .catch(() => undefined);
  };
  /** Shortens what is still ahead so that the class ends when it should. */
  const endInTime = () => {
    if (!moment) return;
    const left = untilClock(room.zone, room.endsAt, new Date());
    const over = moment.left - left;
    if (over <= 0) return setSaid(`It ends in time: ${-over > 30 * 60_000 ? 'more than half an hour' : clockText(-over)} to spare.`);
    if (left < -60 * 60_000 || over > 3 * 60 * 60_000) return setSaid(`${room.endsAt} is not near; nothing was shortened.`);
    const blocks = run.shortened ?? room.planned;
    const short = shortenTo(blocks, moment.segment.block, over, basis);
    const clock = deviceClock();
    const player = { ...run.player, position: positionAt(run.player, clock, line), clockAt: clock };
    change({ shortened: short.blocks, player, played: playedUntil(run, line, clock) });
    setSaid(
      `${changesBetween(blocks, short.blocks, basis).map(changeLine).join('; ')}.${short.over > 0 ? ` Still ${clockText(short.over)} too long.` : ''}`,
    );
  };
  useKeys(keys);
  const differing = useMemo(() => differingIn(room, run), [room, run]);
  if (!moment) return <p>This plan has no blocks.</p>;
  const here = differing.get(moment.block.id);
  // What the director says of it: of the whole class while people arrive, then block by block.
  const own = room.blocks.find(({ id }) => id === moment.block.id)?.note ?? '';
  const note = [...(moment.segment.block === 0 ? [room.plan.purpose, room.plan.note] : []), own].filter(Boolean).join(' · ');
  const end = () => change({ ...moved(run, 'pause', line), stage: room.today ? 'log' : 'plan' });
  return (
    <Dialog fullScreen open slotProps={{ paper: { className: styles.screen, 'aria-label': 'Class' } }} transitionDuration={0}>
      <Rails moment={moment} mirror={run.mirror} />
      <div className={styles.middle}>
        <Now moment={moment} />
      </div>
      <aside className={styles.side} tabIndex={0}>
        <Place moment={moment} after={line.blocks[moment.segment.block + 1]?.name ?? null} />
        {[...(here?.patterns.values() ?? [])].slice(0, 2).map((inStep) => (
          <SecondPattern key={inStepText(inStep)} inStep={inStep} at={secondAt(line, position, inStep)} sided={moment.segment.side !== 'both'} />
        ))}
        {note && (
          <div>
            <span className={styles.soft}>{moment.segment.block === 0 ? 'today' : 'note'}</span>
            <p>{note}</p>
          </div>
        )}
        {moment.nextCue && (
          <div>
            <span className={styles.soft}>next cue</span>
            <p className={styles.cue}>{moment.nextCue.say}</p>
          </div>
        )}
        {listing && (
          <div className={styles.list}>{here ? here.lines.map((text) => <p key={text}>{text}</p>) : <p>Everyone does this as taught.</p>}</div>
        )}
        <p className={styles.sign} role="status">
          {said && <strong>{said} </strong>}
          {run.signs.length > 0 ? `${run.signs.length} stop ${run.signs.length === 1 ? 'sign' : 'signs'} marked. ` : ''}
          If dizzy, strained or uneasy: <strong>let go, breathe as you like.</strong>
        </p>
        <p className={styles.signs}>
          {/* Whatever is cut off on a small screen, it is not the call for help. */}
          {room.emergency} Stop signs: {room.stopSigns.join(', ')}.
        </p>
      </aside>
      <div className={styles.keys}>
        {keys.map(({ label, sign, act, stop }) => (
          <button key={sign} type="button" onClick={act} data-stop={stop ? '' : undefined}>
            {label}
            <span>{sign}</span>
          </button>
        ))}
        <button type="button" onClick={end} data-end={moment.over ? '' : undefined}>
          {!room.today ? 'End rehearsal' : moment.over ? 'Log the class' : 'End class'}
          <span>{clockText(moment.left)} left</span>
        </button>
      </div>
    </Dialog>
  );
}

interface Key {
  readonly label: string;
  readonly key: string;
  readonly sign: string;
  readonly act: () => void;
  readonly stop?: boolean;
}

function useKeys(keys: readonly Key[]): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.metaKey || event.ctrlKey || event.altKey || event.repeat) return;
      const found = keys.find(({ key }) => key === event.key || key === event.key.toLowerCase());
      if (!found) return;
      event.preventDefault();
      found.act();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  });
}

/** What is done now, and its count, as tall as the screen allows. */
function Now({ moment }: { moment: Moment }) {
  const { segment, count, next, block, leftInBlock, over } = moment;
  if (over)
    return (
      <>
        <p className={styles.phase}>The class is over</p>
        <p className={styles.then}>Stay a moment before you log it.</p>
      </>
    );
  const resting = segment.kind === null && segment.part === 'natural';
  return (
    <>
      <p className={styles.phase} data-phase={segment.kind ?? 'natural'}>
        {resting ? block.name : phaseText(segment)}
      </p>
      <p className={styles.number} data-small={count === null ? '' : undefined} data-wide={(segment.counts ?? 0) > 9 ? '' : undefined}>
        {count ?? minutes(segment.kind === null ? (resting ? leftInBlock : moment.leftInSegment) : moment.leftInSegment)}
        {count !== null && segment.counts && <span className={styles.of}>of {segment.counts}</span>}
      </p>
      {next && !resting && (
        <p className={styles.then}>
          then <strong>{next.block === segment.block ? phaseText(next).toLowerCase() : 'the next block'}</strong>
          {next.block === segment.block && next.counts ? ` · ${next.counts}` : ''}
        </p>
      )}
    </>
  );
}

/** How far the block has come; around the techniques, what comes after. */
function Place({ moment, after }: { moment: Moment; after: string | null }) {
  const { block, round, rounds, segment, leftInBlock } = moment;
  const whole = block.end - block.start;
  return (
    <div>
      <p className={styles.round}>
        {round > 0 && rounds > 0
          ? `round ${round} of ${rounds}`
          : block.kind === 'technique'
            ? block.name
            : after
              ? `then ${after}`
              : 'the last block'}
        {block.sets > 1 && segment.set > 0 ? `, set ${segment.set}` : ''}
      </p>
      {block.kind === 'technique' && (
        <p className={styles.soft}>
          {block.name} · {block.detail}
        </p>
      )}
      <div className={styles.through} aria-hidden="true">
        <span style={{ width: `${Math.round((100 * (whole - leftInBlock)) / whole)}%` }} />
      </div>
      <p className={styles.left}>{clockText(leftInBlock)} left here</p>
    </div>
  );
}

/** The pattern that runs in step, said without whose it is or why. */
function SecondPattern({ inStep, at, sided }: { inStep: InStep; at: Second | null; sided: boolean }) {
  return (
    <div className={styles.second}>
      <span className={styles.soft}>
        second pattern {inStepText(inStep)}
        {sided ? ', both sides open' : ''}
      </span>
      <p>{at === null ? 'natural breath' : at.phase === 'free' ? 'free' : `${at.phase} ${at.count} of ${at.of}`}</p>
    </div>
  );
}

/** Who of those present does what differently, by block. */
function differingIn(room: ClassView, run: Run) {
  const byBlock = new Map<string, { readonly patterns: Map<string, InStep>; readonly lines: string[] }>();
  for (const { id, name, byDoor } of room.people) {
    if (run.away.includes(id)) continue;
    for (const { block, text, inStep } of byDoor[doorKey(doorOf(run, id))]) {
      const at = byBlock.get(block) ?? { patterns: new Map<string, InStep>(), lines: [] as string[] };
      at.lines.push(`${name}: ${text}`);
      if (inStep) at.patterns.set(inStepText(inStep), inStep);
      byBlock.set(block, at);
    }
  }
  return byBlock;
}

function minutes(time: number): string {
  const seconds = Math.ceil(time / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
