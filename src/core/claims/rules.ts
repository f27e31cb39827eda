import { ILLNESS, MEASURES, MEDICINE, ORGANS, PRACTICE } from './lexicon';

/** A claim a studio cannot stand behind, where it stands in a text, why, and a line to say instead. */
export interface Claim {
  readonly at: number;
  readonly length: number;
  readonly found: string;
  readonly why: string;
  readonly instead: string;
}

interface Rule {
  readonly patterns: readonly RegExp[];
  readonly why: string;
  readonly instead: string;
  /** Saying that it is not so is no claim; for some lines the "no" is the claim. */
  readonly deniable: boolean;
}

const SETTLING = 'many people find it settling';
/** Up to so many words between two that belong together, inside one clause. */
const gap = (most: number) => `(?:\\W+(?:[\\w’'-]+\\W+){0,${most}}?)`;
const near = (first: string, then: string, most = 4) => new RegExp(`\\b(?:${first})${gap(most)}(?:${then})\\b`, 'gi');
const plain = (words: string) => new RegExp(`(?<![\\w’'-])(?:${words})(?![\\w’'-])`, 'gi');

const HEAL =
  'cur(?:es?|ed|ing)|heal(?:s|ed|ing)?|treat(?:s|ing)?|prevent(?:s|ed|ing)?|revers(?:es?|ed|ing)|fights?|fighting|fought|beat(?:s|en|ing)?|eliminat(?:es?|ed|ing)|get(?:s|ting)? rid of|gets? over|rids? you of|banish(?:es|ed)?|reliev(?:es?|ed|ing)|fix(?:es|ed)|alleviat(?:es?|ed|ing)|eas(?:es?|ed|ing)|overcom(?:es?|ing)|overcame|conquer(?:s|ed)?|wip(?:es?|ed) out|kill(?:s|ed)?|ward(?:s|ed)? off|drives? (?:out|away)|dissolv(?:es?|ed)|remov(?:es?|ed)|remed(?:y|ies)|protects? (?:you |us |everyone )?(?:from|against)|help(?:s|ed)? (?:you )?(?:against|with)|works? (?:wonders )?(?:against|for)|good (?:for|against)|effective against|end(?:s|ed)|soothes? away|frees? (?:you |me |us )?(?:from|of)|saves? (?:you |us )?from';
const HEALED =
  'cured|healed|reversed|prevented|eliminated|relieved|eased|beaten|overcome|gone|vanish(?:es|ed)?|disappear(?:s|ed)?|go(?:es)? away|went away|melts? away|fades? away|shrinks?|shrank|dissolves?|is history|leave you|left me|can be treated|(?:is|are) treated (?:by|with) (?:this|slow|the|breath|a)';

const RULES: readonly Rule[] = [
  {
    patterns: [
      near(HEAL, ILLNESS, 4),
      near(ILLNESS, HEALED, 5),
      near(`(?:remedy|cure|medicine|therapy|treatment|antidote|relief|weapon)(?:s)? (?:for|against|from|of)`, ILLNESS, 3),
      near('(?:reduc|lower|halv|minimi[sz]|cut)\\w*', `risks?|symptoms?|chances? of`, 3),
      near('(?:say )?(?:goodbye|farewell) to|bye bye|no more|never again|freedom from|free of|rid of', ILLNESS, 2),
      near('stop(?:s|ped)?', `(?:your |the |a |any |all )?(?:${ILLNESS})`, 0),
      near('keep(?:s|ing)?', `(?:${ILLNESS})${gap(1)}(?:away|at bay)`, 1),
      near('symptom', 'free', 0),
      plain(`(?:self-?healing|healing (?:powers?|effects?|breath|practice))`),
    ],
    why: 'It promises something about an illness, which only a clinician may.',
    instead: SETTLING,
    deniable: true,
  },
  {
    patterns: [
      near(
        'replac(?:es?|ing|ement)|reduc(?:es?|ed|ing)|instead of|(?:come|came|coming|get|got) off|throw(?:s|ing)? (?:away|out)|do(?:es)? without|give(?:s|n)? up|cut(?:s|ting)? (?:down|back)(?: on)?|wean(?:s|ed|ing)?(?: \\w+)? off|substitutes? for|better than|stronger than|as (?:well|good|strong|effective) as|works? like|quit(?:s|ting)?|stop(?:s|ped)? taking|less|fewer|skip(?:s|ped)?|forget(?:s)?|leave (?:\\w+ )?at home',
        MEDICINE,
        3,
      ),
      near(
        MEDICINE,
        'unnecessary|superfluous|obsolete|(?:can|could|may|will) be (?:reduced|replaced|stopped|halved|left out|dropped)|no longer needed|not needed any ?more',
        5,
      ),
    ],
    why: 'It speaks about medicine, which only the one who prescribed it may change.',
    instead: 'keep taking what was prescribed, and ask your doctor first',
    deniable: true,
  },
  {
    patterns: [
      near(
        "no (?:more |longer )?need (?:for|of)?|no longer (?:need|take|require|use)s?|(?:won[’']?t|don[’']?t|doesn[’']?t|not|never) (?:\\w+ )?need",
        `(?:${MEDICINE}|therap(?:y|ist)|doctors?)`,
        3,
      ),
      near('no more', MEDICINE, 1),
      near(
        'who needs|instead of (?:seeing|going to|asking)|replaces|spares? you|saves? you',
        '(?:a |the |your |any )?(?:doctors?|therap(?:y|ist|ists)|hospital|physician)',
        2,
      ),
      near('(?:therap(?:y|ist)|doctors?)', 'unnecessary|superfluous', 3),
      near('keeps?', 'doctors? away', 1),
    ],
    why: 'It speaks about medicine or a doctor, which only the one who prescribed it may change.',
    instead: 'keep taking what was prescribed, and ask your doctor first',
    deniable: false,
  },
  {
    patterns: [
      near(
        'lower(?:s|ed|ing)?|reduc(?:es?|ed|ing)|regulat(?:es?|ed|ing)|normali[sz](?:es?|ed|ing)|balanc(?:es?|ed|ing)|drops?|stabili[sz](?:es?|ed|ing)|control(?:s|led|ling)?|improv(?:es?|ed|ing)|decreas(?:es?|ed|ing)|optimi[sz](?:es?|ed)|harmoni[sz](?:es?|ed)',
        MEASURES,
        3,
      ),
      near(
        'bring(?:s|ing)?|get(?:s|ting)?|keep(?:s|ing)?|push(?:es)?',
        `(?:${MEASURES})${gap(1)}(?:down|under control|in check|low|back to normal)`,
        2,
      ),
      near(
        MEASURES,
        '(?:drop|fall|sink|decreas|normali[sz])(?:s|es)?(?: by| after| within| when| with)?|comes? down|goes? down|went down|fell|dropped|(?:is|are|gets?) (?:lowered|reduced|balanced|regulated|stabili[sz]ed|normali[sz]ed)',
        3,
      ),
      near('reduc(?:es?|ed|ing)|lower(?:s|ed|ing)?|calm(?:s|ed|ing)?|cool(?:s|ed|ing)?|fights?|heals?|stops?|against', 'inflammations?', 3),
      near('inflammations?', 'goes? down|went down|drops?|is (?:reduced|lowered|calmed)|subsides?|disappears?|fades?', 2),
      plain('anti.?inflammatory'),
    ],
    why: 'It promises an effect in the body that nobody here can measure.',
    instead: SETTLING,
    deniable: true,
  },
  {
    patterns: [
      near(
        'safe(?:ly)?|harmless|suitable|healthy|right|risk.?free',
        '(?:for|by|in|at) (?:absolutely |really |just |quite )?(?:everyone|everybody|all(?: ages)?|anyone|anybody|any age|every (?:age|body)|pregnancy|pregnant|children|the elderly)',
        2,
      ),
      near(
        '(?:absolutely|completely|totally|perfectly|entirely|100 ?%|one hundred percent|utterly|wholly)',
        'safe|harmless|risk.?free|without (?:any )?(?:risk|danger)',
        0,
      ),
      plain('risk.?free'),
      near('(?:everyone|everybody|anyone|anybody)', '(?:can|may) (?:do|practi[sc]e|try) (?:this|it)', 1),
    ],
    why: 'Nothing is safe for everybody.',
    instead: 'with an easier way beside it for whoever wants it',
    deniable: true,
  },
  {
    patterns: [
      near(
        'no|zero|without(?: any)?|free of|free from|never any|not a single',
        '(?:known |real )?(?:contraindications?|side.?effects?|risks?|dangers?)(?: whatsoever| at all)?',
        1,
      ),
      near(
        "(?:can[’']?t|cannot|can not|will not|won[’']?t|could never|never)",
        '(?:hurt|harm|do (?:you )?harm|go wrong|damage)(?: (?:anyone|anybody|you))?',
        1,
      ),
      near('nothing', '(?:can|will|could) (?:go wrong|happen)', 0),
      near('without', '(?:asking|seeing|consulting)(?: (?:a|your|the))? doctors?', 1),
    ],
    why: 'Every way of breathing has people it does not suit.',
    instead: 'with an easier way beside it for whoever wants it',
    deniable: false,
  },
  {
    patterns: [
      near(
        'burn(?:s|ed|t|ing)?|melt(?:s|ed|ing)?|los(?:es?|ing)|sheds?|shed(?:ding)?|dissolv(?:es?|ing)',
        '(?:fat|calories|kilos?|pounds|weight)',
        2,
      ),
      near('(?:fat|calories|kilos?|pounds)', '(?:is |are |get )?(?:burn(?:ed|t|s)?|melts?|melted|dissolves?|shed|go|disappear|tumble)', 2),
      plain('weight.?loss|slim(?:s|mer|ming)?(?: down)?|flat(?:ter)? (?:stomach|belly|tummy)|fat.?burn(?:ing|er)'),
      near('boost(?:s|ed|ing)?|speed(?:s|ing)? up|fir(?:es?|ing) up|accelerat(?:es?|ing)', 'metabolism', 2),
    ],
    why: 'It promises an effect on weight.',
    instead: 'lively and warming for many people',
    deniable: true,
  },
  {
    patterns: [
      plain('detox\\w*|de-tox\\w*'),
      near(
        'flush(?:es)?|clear(?:s|ed)?|releas(?:es?|ed|ing)|remov(?:es?|ed|ing)|get(?:s)? rid of|breath(?:es?|ing) out|exhal(?:es?|ing)|expel(?:s|led)?|eliminat(?:es?|ing)|wash(?:es)? out|driv(?:es?|ing) out',
        '(?:toxins?|poisons?|waste products?|impurities|toxic \\w+)',
        3,
      ),
      near(
        '(?:toxins?|poisons?|waste products?|impurities)',
        '(?:leave|leaves|are|is|get|flow|go) ?(?:released|flushed|exhaled|removed|out|away|the body|your body)?',
        1,
      ),
      near('cleans?(?:es?|ed|ing)?|purif(?:y|ies|ied|ying)', `(?:${ORGANS}|blood|body|system)`, 2),
    ],
    why: 'The body is not cleaned by a way of breathing.',
    instead: 'refreshing for many people',
    deniable: true,
  },
  {
    patterns: [
      plain('(?:super-?|hyper-?)?oxygenat\\w*|oxygen-?rich'),
      near('(?:more|fresh|extra|pure|enough|additional) oxygen', '(?:to|in|into|for|reaches|than)', 0),
      near('(?:flood|fill|feed|suppl|saturat|nourish|enrich|load|charg|pump)(?:s|es|ed|ing|y|ies|ied)?', 'oxygen', 6),
      near(
        'oxygen',
        '(?:reach(?:es)?|rush(?:es)?|flows?|flood(?:s)?|gets?|streams?|feeds?) (?:in)?(?:to )?(?:the |your |every |all )?(?:brain|blood|cells?|organs?|body|muscles)',
        1,
      ),
      near('(?:brain|cells?|blood|muscles|organs?)', '(?:gets?|receives?|is given|are given|drinks?|full of)(?: \\w+)? oxygen', 1),
      near('send(?:s)?|bring(?:s)?|carr(?:y|ies)|deliver(?:s)?|transport(?:s)?', 'oxygen', 2),
    ],
    why: 'Strong breathing does not bring more oxygen to the brain.',
    instead: 'many people feel awake after it',
    deniable: true,
  },
  {
    patterns: [
      near(
        'balanc|synchroni[sz]|harmoni[sz]|unit|connect|link|activat|integrat|coordinat|join|align'.replaceAll('|', '\\w*|') + '\\w*',
        '(?:hemispheres?|brain halves|halves of (?:the|your) brain|(?:left|right) (?:side of (?:the|your) )?brain|(?:left|right) half of|sides? of (?:the|your) brain)',
        4,
      ),
      near('re-?(?:wir(?:es?|ed|ing)|programs?|programmed)', '(?:brains?|minds?|nerves|nervous system)', 2),
      near(
        '(?:hemispheres?|brain halves|halves of (?:the|your) brain|left and right brain|sides of (?:the|your) brain)',
        '(?:balanced?|synchroni[sz]ed?|in balance|into balance|in harmony|connected|united|work together|come together|one)',
        4,
      ),
    ],
    why: 'It claims something about the brain that is not known.',
    instead: 'taught in several traditions as balancing',
    deniable: true,
  },
  {
    patterns: [
      near(
        'heal(?:s|ing)|repair(?:s|ed|ing)?|regenerat(?:es?|ing)|rejuvenat(?:es?|ing)|restor(?:es?|ing)|strengthen(?:s|ed|ing)?|improv(?:es?|ed|ing)|boost(?:s|ed|ing)?|cur(?:es?|ing)|stimulat(?:es?|ing)|increas(?:es?|ing)|renew(?:s|ing)?|tones?|massages?',
        `(?:${ORGANS})`,
        2,
      ),
      near(
        `(?:${ORGANS})`,
        '(?:regenerates?|heals?|recovers?|(?:is|are|gets?) (?:healed|repaired|regenerated|rejuvenated|strengthened|stimulated))',
        2,
      ),
      near(
        '(?:boost|strengthen|improv|support|activat|rais|build|lift|train|protect|stimulat)(?:s|es|e|ed|ing)?(?: up)?',
        '(?:immun\\w*|defen[cs]es?|resistance)',
        2,
      ),
      near('immun\\w*|defen[cs]es', '(?:is|are|gets?|becomes?) (?:boosted|strengthened|improved|stronger|raised|activated)', 2),
      near('(?:makes?|keeps?|leaves?)', `(?:immune|resistant)`, 2),
      plain('(?:live|lives|living) longer|longer life|lengthens? life|anti-?age?ing|years younger|stay(?:s)? young|youthful'),
      near('slow(?:s|ed|ing)?(?: down)?|stop(?:s|ped)?|revers(?:es?|ed|ing)|halts?', '(?:age?ing)', 2),
      near('turns? back', '(?:the )?(?:clock|years)', 1),
    ],
    why: 'It promises healing, strength or years that no class can promise.',
    instead: SETTLING,
    deniable: true,
  },
  {
    patterns: [
      plain('(?:doctor|physician)s?[ -](?:approved|recommended|tested)'),
      plain(
        '(?:scientifically |clinically |medically )?(?:proven|validated)|(?:scientifically|clinically|medically) (?:tested|approved|shown|confirmed|backed|certified)|guaranteed?|evidence-?based|science-?backed',
      ),
      near(
        '(?:stud(?:y|ies)|science|scientists|research(?:ers)?|trials|doctors|physicians|medicine)',
        '(?:have |has |all |now )?(?:proves?|proved|proven|shows?|shown|confirms?|confirmed|recommends?|recommended|demonstrates?|demonstrated|agree|swear)',
        1,
      ),
      near('backed|supported|confirmed|approved|recommended', 'by (?:science|studies|research|doctors|medicine)', 0),
    ],
    why: 'One study, or many, prove nothing for the person who reads this.',
    instead: 'often taught for this',
    deniable: true,
  },
  {
    patterns: [
      near('(?:I )?never', '(?:falls?|fell|gets?|got|am|was|been|be|becomes?) (?:ill|sick)', 2),
      near("(?:haven[’']?t|hasn[’']?t|have not|has not|not) been", '(?:ill|sick) (?:since|for|in|once)', 1),
      near('(?:not (?:one|a|a single)|never (?:had )?(?:a|another)|no|not had a)', '(?:cold|flu|illness|infection)s? (?:since|in|for|any ?more)', 1),
      near('(?:not|never|no longer)', '(?:needed|seen|need|see) (?:a |the |my )?(?:doctors?|physician)(?: since)?', 2),
      near('(?:stays?|keeps? (?:you|me|us))', '(?:healthy|well|fit) (?:for life|forever|all (?:year|winter))', 1),
    ],
    why: 'A teacher’s own health is no promise.',
    instead: 'I like to practise it myself',
    deniable: false,
  },
];

/** What makes a sentence say that it is not so: right before the words, or among them. */
const DENIED = /\b(?:not|no|never|nothing|nobody|none|neither|nor|without|cannot|don[’']?t|doesn[’']?t|isn[’']?t|aren[’']?t|won[’']?t|can[’']?t)\b/i;
/** A sentence about what people bring with them: "if you are fighting a cold", "people treated for …". */
const ABOUT_PEOPLE =
  /^(?:\W*(?:please\W+)?(?:if|in case|should|whoever|anyone who|those who|people (?:who|with)|are you|do you|have you|stop (?:if|when)|when you feel|come back|tell us|keep|after (?:a |an |the )?(?:surgery|operation|birth))\b)/i;
/** What a sentence is about when it claims something in spite of its "if" or "when". */
const CAUSED = new RegExp(`\\b(?:${PRACTICE})\\b`, 'i');

/**
 * Marks claims a studio cannot stand behind, where they stand, in the order of the text. They are found by what is meant: what
 * is said to act on what, whichever comes first, unless the sentence says that it is not so.
 * @example claimsIn('This cures asthma.')[0].found // "cures asthma"
 */
export function claimsIn(text: string): Claim[] {
  const claims = clausesOf(text).flatMap(({ at, clause }) =>
    RULES.flatMap((rule) => foundIn(clause, rule).map((claim) => ({ ...claim, at: claim.at + at }))),
  );
  const sorted = claims.sort((a, b) => a.at - b.at || b.length - a.length);
  // Of claims that overlap the first, longest one stands for all.
  return sorted.filter((claim, index) => !sorted.slice(0, index).some((other) => claim.at < other.at + other.length));
}

/** A text part by part: a sentence ends, a semicolon or a line parts it. */
function clausesOf(text: string): { readonly at: number; readonly clause: string }[] {
  return [...text.matchAll(/[^.!?;:\n]+/g)].map((match) => ({ at: match.index, clause: match[0] }));
}

function foundIn(clause: string, { patterns, why, instead, deniable }: Rule): Claim[] {
  return patterns.flatMap((pattern) =>
    [...clause.matchAll(pattern)].flatMap((match): Claim[] => {
      const found = match[0];
      const before = clause.slice(Math.max(0, match.index - 40), match.index);
      const denied =
        deniable && (DENIED.test(before) || DENIED.test(found.replace(/\bno more\b|\bdo(?:es)? without\b|\bwithout (?:any )?(?:risk|danger)/gi, '')));
      const deniedAfter = /^\W*(?:nothing|little|nobody|no one)\b/i.test(clause.slice(match.index + found.length));
      const aboutPeople = deniable && ABOUT_PEOPLE.test(clause) && !CAUSED.test(clause);
      return denied || (deniable && deniedAfter) || aboutPeople ? [] : [{ at: match.index, length: found.length, found, why, instead }];
    }),
  );
}
