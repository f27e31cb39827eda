import { listedSentence } from '@/core/wording';
import { mustParsePattern, parsePattern } from '@/core/pattern';
import { dayText, millis, type IsoDate } from '@/core/units';
import { BreathStrip } from '../figures/BreathStrip';

interface Props {
  readonly date: IsoDate;
  readonly view: {
    readonly technique: { readonly name: string };
    readonly people: number;
    readonly tracks: readonly { readonly pattern: string; readonly kind: string; readonly people: readonly string[] }[];
    /** For the director only. */
    readonly opening: {
      readonly open: number;
      readonly clinician: readonly string[];
      readonly form: readonly string[];
      readonly closed: readonly string[];
    } | null;
  };
}

/** How a whole cohort does one technique: the fewest ways side by side, and what one missing answer would change. */
export function Tracks({ view: { technique, people, tracks, opening }, date }: Props) {
  return (
    <div className="stack" data-testid="tracks">
      <h2>
        {technique.name} for all {people}
      </h2>
      <p className="soft">
        On {dayText(date)}. {tracks.length === 1 ? 'One way serves everybody.' : `${tracks.length} ways side by side serve everybody.`}
      </p>
      {tracks.map(({ pattern, kind, people: on }) => (
        <section key={pattern}>
          <h3>
            {kind === 'natural breath' ? 'natural breath' : pattern} <span className="num">{on.length}</span>
          </h3>
          <p className="small soft">
            {kind === 'as taught'
              ? 'as taught'
              : kind === 'in step'
                ? 'ends each cycle with the room'
                : kind === 'instead'
                  ? 'at their own pace'
                  : 'to the end of the block'}
          </p>
          <BreathStrip
            pattern={stripOf(pattern)}
            pace={{ tempo: millis(1000), naturalBreath: millis(4000) }}
            width={250}
            height={64}
            labels={false}
            title={`Breath strip of ${pattern}`}
          />
          <p className="small">{listedSentence(on)}</p>
        </section>
      ))}
      {opening && (opening.clinician.length > 0 || opening.form.length > 0) && (
        <section>
          <h3>What one answer would change</h3>
          {opening.clinician.length > 0 && (
            <p>
              {opening.clinician.length === 1 ? 'One clinician’s answer' : `${opening.clinician.length} clinicians’ answers`} would open it for{' '}
              {listedSentence(opening.clinician)}
            </p>
          )}
          {opening.form.length > 0 && <p>A filled-in form might open it for {listedSentence(opening.form)}</p>}
          <p className="soft">
            Then {opening.open + opening.clinician.length + opening.form.length} of {people} could do it
            {opening.closed.length > 0 ? `, everyone but ${listedSentence(opening.closed)}` : '.'}
          </p>
        </section>
      )}
    </div>
  );
}

/** The breath of a track; "2 × (4:5) + 1 free" is drawn as its breath. */
function stripOf(pattern: string) {
  const breath = /\(?(\d+:\d+)\)?/.exec(pattern);
  const parsed = parsePattern(pattern);
  return parsed.ok ? parsed.value : mustParsePattern(breath?.[1] ?? 'natural');
}
