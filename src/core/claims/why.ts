/** Why something is a claim, and what can be said instead, by the notion that weighs most in it. */
interface Said {
  readonly why: string;
  readonly instead: string;
}

const SETTLING = 'many people find it settling';
const ILLNESS: Said = { why: 'It promises something about an illness, which only a clinician may.', instead: SETTLING };
const MEDICINE: Said = {
  why: 'It speaks about medicine or a doctor, which only the one who prescribed it may change.',
  instead: 'keep taking what was prescribed, and ask your doctor first',
};
const BODY: Said = { why: 'It promises an effect in the body that nobody here can measure.', instead: SETTLING };
const SAFE: Said = { why: 'Every way of breathing has people it does not suit.', instead: 'with an easier way beside it for whoever wants it' };
const PROMISE: Said = { why: 'It promises how somebody will feel, live or do afterwards, which no class can.', instead: SETTLING };
const BRAIN: Said = { why: 'It claims something about the brain that is not known.', instead: 'taught in several traditions as balancing' };

export const WHY: Readonly<Record<string, Said>> = {
  illness: ILLNESS,
  heal: ILLNESS,
  fight: ILLNESS,
  gone: ILLNESS,
  medicine: MEDICINE,
  doctor: MEDICINE,
  measure: BODY,
  inflammation: BODY,
  less: BODY,
  more: BODY,
  organ: BODY,
  immune: BODY,
  sex: BODY,
  body: BODY,
  everyone: SAFE,
  safe: SAFE,
  fat: { why: 'It promises an effect on weight.', instead: 'lively and warming for many people' },
  toxin: { why: 'The body is not cleaned by a way of breathing.', instead: 'refreshing for many people' },
  oxygen: { why: 'Strong breathing does not bring more oxygen to the brain.', instead: 'many people feel awake after it' },
  brain: BRAIN,
  proven: { why: 'One study, or many, prove nothing for the person who reads this.', instead: 'often taught for this' },
  sleep: PROMISE,
  mood: PROMISE,
  youth: PROMISE,
  addiction: PROMISE,
  children: PROMISE,
  perform: PROMISE,
  trauma: PROMISE,
  any: { why: 'It tells of an outcome that others will take for a promise.', instead: SETTLING },
};
