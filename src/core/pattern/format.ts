import type { Amount, Guided, Length, Manner, Pattern, Phase, PlainPattern, Said, WholePattern } from './types';

/**
 * The one canonical way to write a pattern; reading it back gives the same pattern.
 * @example formatPattern(value) // "4:7:8"
 */
export function formatPattern(pattern: Pattern): string {
  if (pattern.kind !== 'options') return wholeText(pattern);
  return pattern.options.map(({ name, pattern: option }) => `${name === null ? '' : `"${name}" `}${wholeText(option)}`).join(' | ');
}

function wholeText(pattern: WholePattern): string {
  if (pattern.kind === 'natural') return plainText(pattern);
  const main = pattern.kind === 'stages' ? pattern.stages.map(stageText).join(' > ') : plainText(pattern);
  const sections = [
    pattern.leadIn.length > 0 ? `first ${phaseList(pattern.leadIn)}` : '',
    pattern.entry.length > 0 ? `each set ${phaseList(pattern.entry)}` : '',
    pattern.everyRound.length > 0 ? `each round ${phaseList(pattern.everyRound)}` : '',
    main,
    pattern.leadOut.length > 0 ? `last ${phaseList(pattern.leadOut)}` : '',
  ];
  return sections.filter(Boolean).join('; ');
}

function stageText({ pattern, amount }: { pattern: PlainPattern; amount: Amount }): string {
  return `${plainText(pattern)} for ${amountText(amount)}`;
}

/** @example amountText({ unit: 'rounds', n: 3, cyclesPerRound: null, guided: null }) // "3 rounds" */
export function amountText(amount: Amount): string {
  if (amount.unit === 'seconds') return `${amount.n} s`;
  if (amount.unit === 'minutes') return `${amount.n} min`;
  const of = amount.cyclesPerRound ? ` of ${amount.cyclesPerRound}` : '';
  return `${amount.n} ${amount.n === 1 ? 'round' : 'rounds'}${of}${amount.guided === null ? '' : ` ${guidedText(amount.guided)}`}`;
}

function plainText(pattern: PlainPattern): string {
  return [...mainParts(pattern), ...pattern.locks.map((lock) => `lock ${lock}`)].join(', ');
}

function mainParts(pattern: PlainPattern): string[] {
  if (pattern.kind === 'natural') return [pattern.depth];
  if (pattern.kind === 'pumps') return [`${pattern.pumps} pumps at ${pattern.perMinute}`];
  if (pattern.kind === 'connected') return [`connected ${pattern.shortSeconds} s, long ${pattern.longSeconds} s ${pattern.route}`];
  return [
    ratioText(pattern.phases) ?? phaseList(pattern.phases),
    ...(pattern.alternating ? ['alternating'] : []),
    ...(pattern.recovery ? [`recover ${rangeText(pattern.recovery)}`] : []),
  ];
}

/** @example guidedText({ first: 2, last: true }) // "guided 2 and last" */
export function guidedText({ first, last }: Guided): string {
  return `guided ${first}${last ? ' and last' : ''}`;
}

/** "4:4:6" when the phases are nothing but in, hold, out and empty in counts; otherwise null. */
function ratioText(phases: readonly Phase[]): string | null {
  const kinds = phases.map((phase) => phase.kind).join(' ');
  if (!['in out', 'in hold out', 'in hold out empty'].includes(kinds)) return null;
  if (!phases.every(isPlain)) return null;
  return phases.map((phase) => lengthText(phase.length)).join(':');
}

function isPlain(phase: Phase): boolean {
  return (
    phase.length.unit === 'counts' &&
    phase.repeat === 1 &&
    phase.side === 'both' &&
    !phase.route &&
    !phase.manner &&
    !phase.manners &&
    !phase.nineTenths &&
    !phase.gap &&
    phase.say.length === 0
  );
}

function phaseList(phases: readonly Phase[]): string {
  return phases.map(phaseText).join(', ');
}

function phaseText(phase: Phase): string {
  const words = [
    phase.repeat > 1 ? `${phase.repeat} x` : '',
    phase.kind,
    lengthText(phase.length),
    phase.side === 'both' ? '' : phase.side,
    phase.route ?? '',
    phase.manners ? phase.manners.map(mannerText).join('/') : (phase.manner ?? ''),
    phase.nineTenths ? 'nine tenths' : '',
    phase.gap ? `gap ${phase.gap.seconds} s${phase.gap.free ? ' free' : ''}` : '',
    phase.say.length > 0 ? `say (${phase.say.map(saidText).join(', ')})` : '',
  ];
  return words.filter(Boolean).join(' ');
}

const mannerText = (manner: Manner | null) => manner ?? 'open';

function saidText({ text, atSeconds }: Said): string {
  return atSeconds === null ? text : `${text} at ${atSeconds} s`;
}

/** @example lengthText({ unit: 'ease', low: 3, high: 8 }) // "3-8 s" */
export function lengthText(length: Length): string {
  if (length.unit === 'counts') return String(length.n);
  return length.unit === 'seconds' ? `${length.n} s` : `${length.low}-${length.high} s`;
}

/** @example rangeText({ low: 1, high: 6 }) // "1-6" */
export function rangeText({ low, high }: { readonly low: number; readonly high: number }): string {
  return low === high ? String(low) : `${low}-${high}`;
}

/**
 * A few characters for a chip: the ratio of a cycle, whatever its sides and manner.
 * @example shortPattern(value) // "4:2:6"
 */
export function shortPattern(pattern: Pattern): string {
  switch (pattern.kind) {
    case 'natural':
      return pattern.depth;
    case 'pumps':
      return `${pattern.pumps} pumps`;
    case 'connected':
      return 'connected';
    case 'options':
      return shortPattern(pattern.options[0].pattern);
    case 'stages': {
      const shorts = pattern.stages.filter(({ pattern: stage }) => stage.kind !== 'natural').map(({ pattern: stage }) => shortPattern(stage));
      return shorts.length > 1 ? `${shorts[0]} → ${shorts.at(-1)}` : (shorts[0] ?? 'natural');
    }
    case 'cycle':
      return pattern.phases
        .filter((phase) => phase.kind !== 'pause')
        .map((phase) => lengthText(phase.length).replace(' ', ''))
        .join(':');
  }
}
