'use client';

import Dialog from '@mui/material/Dialog';
import { useEffect, useMemo, useState } from 'react';
import { HURRIED, layOut, positionAt, secondAt, shownAt, type PlayerMove } from '@/core/cues';
import { doorKey, EMERGENCY, inStepText, type InStep } from '@/core/screening';
import { changeLine, changesBetween, shortenTo } from '@/core/plan';
import { clockText, untilClock } from '@/core/units';
import { useLibrary } from '../shell/Inside';
import type { ClassView } from '@/views/teach';
import { inMinutes, Line, Now, Place, SecondPattern } from './ClassParts';
import { HereNow } from './HereNow';
import { Rails } from './Rails';
import { deviceClock, doorOf, fresh, moved, playedUntil, type Run } from './run';
import { StopSign } from './StopSign';
import styles from './ClassScreen.module.css';
import { useStopSign } from './useStopSign';
import { hasVoice, useAwake, usePosition, useTones, useVoice } from './stage';

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
  const moment = shownAt(line, position);
  const [listing, setListing] = useState(false);
  const [said, setSaid] = useState('');
  const [here, setHere] = useState(false);
  const [more, setMore] = useState(false);
  const [voice, setVoice] = useState(false);
  const stop = useStopSign(room, run, change);
  useAwake(run.player.playing);
  useTones(run.tones && run.player.playing, moment);
  useVoice(voice && run.player.playing && !run.player.speed, line, position, room.speech.wordsPerSecond);
  const go = (move: PlayerMove) => change(moved(run, move, line));
  const begun = run.played.length > 0 || run.player.playing || position > 0;
  const keys: readonly Key[] = [
    {
      label: run.player.playing ? 'Pause' : begun ? 'Go on' : 'Begin',
      key: ' ',
      sign: 'space',
      act: () => go(run.player.playing ? 'pause' : 'play'),
    },
    { label: 'Again', key: 'a', sign: 'A', act: () => go('again') },
    { label: 'Next block', key: 'ArrowRight', sign: '→', act: () => go('next block') },
    { label: 'They are here', key: 'h', sign: 'H', act: () => setHere(true) },
    { label: 'Who differs', key: 'w', sign: 'W', act: () => setListing(!listing) },
    ...(hasVoice() ? [{ label: voice ? 'Voice off' : 'Hear it', key: 'v', sign: 'V', act: () => setVoice(!voice) }] : []),
    { label: more ? 'Less' : 'More', key: '?', sign: '?', act: () => setMore(!more) },
    {
      label: 'Stop sign: who, and what',
      key: 's',
      sign: 'S',
      stop: true,
      act: () => moment && stop.mark(`${clockText(position)} in, during ${moment.block.name}`, moved(run, 'pause', line)),
    },
  ];
  const others: readonly Key[] = [
    // Only what leaves no log may run faster than it is taught.
    ...(!run.rehearsal ? [] : [{ label: run.player.speed ? 'At true speed' : `${HURRIED} × as fast`, key: 'f', sign: 'F', act: () => go('faster') }]),
    { label: 'Back', key: 'ArrowLeft', sign: '←', act: () => go('previous block') },
    { label: `End by ${room.endsAt}`, key: 'e', sign: 'E', act: () => endInTime() },
    { label: run.mirror ? 'My side' : 'Mirror', key: 'm', sign: 'M', act: () => change({ mirror: !run.mirror }) },
    { label: run.tones ? 'Tones off' : 'Tones on', key: 't', sign: 'T', act: () => change({ tones: !run.tones }) },
    { label: 'Door', key: 'd', sign: 'D', act: () => change({ stage: 'door' }) },
  ];
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
  useKeys(here || stop.marked ? [] : [...keys, ...others]);
  const differing = useMemo(() => differingIn(room, run), [room, run]);
  if (!moment) return <p>This plan has no blocks.</p>;
  const otherwise = differing.get(moment.block.id);
  // What the director says of it: of the whole class while people arrive, then block by block.
  const own = room.blocks.find(({ id }) => id === moment.block.id)?.note ?? '';
  const note = [...(moment.segment.block === 0 ? [room.plan.purpose, room.plan.note] : []), own].filter(Boolean).join(' · ');
  const end = () => change(run.rehearsal ? fresh('plan') : { ...moved(run, 'pause', line), stage: 'log' });
  return (
    <Dialog fullScreen open slotProps={{ paper: { className: styles.screen, 'aria-label': 'Class' } }} transitionDuration={0}>
      <Rails moment={moment} mirror={run.mirror} />
      <Line moment={moment} />
      <div className={styles.middle}>
        <Now moment={moment} />
      </div>
      <aside className={styles.side} tabIndex={0}>
        <Place moment={moment} after={line.blocks[moment.segment.block + 1]?.name ?? null} />
        {[...(otherwise?.patterns.values() ?? [])].slice(0, 2).map((inStep) => (
          <SecondPattern key={inStepText(inStep)} inStep={inStep} at={secondAt(line, position, inStep)} sided={moment.segment.side !== 'both'} />
        ))}
        <p className={styles.soft}>
          {otherwise
            ? `${new Set(otherwise.lines.map((text) => text.split(':')[0])).size} do it otherwise · W shows who`
            : 'Everyone does this as taught.'}
          {run.late.length > 0 && ` · ${run.late.length} came late`}
        </p>
        {listing && otherwise && (
          <div className={styles.list}>
            {otherwise.lines.map((text) => (
              <p key={text}>{text}</p>
            ))}
          </div>
        )}
        {note && (
          <div>
            <span className={styles.soft}>{moment.segment.block === 0 ? 'today' : 'note'}</span>
            <p>{note}</p>
          </div>
        )}
        {said && <p role="status">{said}</p>}
        <p className={styles.soft}>Stop signs: {room.stopSigns.join(', ')}.</p>
      </aside>
      {/* Whatever is cut off on a small screen, it is not the call for help. */}
      <p className={styles.sign}>
        Dizzy, strained, uneasy: <strong>let go, breathe as you like.</strong> {EMERGENCY}
        <span className={styles.besides}>{room.emergency.replace(EMERGENCY, '')}</span>
        {run.signs.length > 0 && (
          <strong role="status">
            {' '}
            {run.signs.length} stop {run.signs.length === 1 ? 'sign' : 'signs'} marked.
          </strong>
        )}
      </p>
      <div className={styles.keys}>
        {[...keys, ...(more ? others : [])].map(({ label, sign, act, stop }) => (
          <button key={sign} type="button" onClick={act} data-stop={stop ? '' : undefined}>
            {label}
            <span>{sign}</span>
          </button>
        ))}
        <button type="button" onClick={end} data-end={moment.over ? '' : undefined}>
          {run.rehearsal ? 'End rehearsal' : moment.over ? 'Log the class' : 'End class'}
          <span>{inMinutes(moment.left)} left</span>
        </button>
      </div>
      {here && <HereNow room={room} run={run} change={change} onClose={() => setHere(false)} />}
      {stop.marked && <StopSign room={room} run={run} mark={stop.marked} edit={stop.sayMore} onClose={stop.leave} />}
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
      // A key does what has the focus, where that is something to press.
      if (event.key === ' ' && event.target instanceof HTMLButtonElement) return;
      const found = keys.find(({ key }) => key === event.key || key === event.key.toLowerCase());
      if (!found) return;
      event.preventDefault();
      found.act();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  });
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
