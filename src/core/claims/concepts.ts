/** Notions that claims and cautions are made of, each by some of its words; what is near them in meaning counts as near. */

const words = (text: string): readonly string[] => text.trim().split(/\s+/);

export const CONCEPTS: Readonly<Record<string, readonly string[]>> = {
  illness:
    words(`asthma insomnia migraine arthritis diabetes depression anxiety cancer flu cold infection disease illness eczema epilepsy allergy bronchitis
    dementia hypertension burnout tinnitus reflux ulcer sciatica fibromyalgia sickness disorder symptom autism stroke pain headache apnoea copd ptsd adhd`),
  medicine:
    words(`tablets pills medication medicine drugs antidepressants painkillers statins insulin inhaler antibiotics steroids prescription pharmacy tranquilizers
    sedatives antihistamines vaccine dose hrt spray blockers pharmacist chemist`),
  doctor: words(`doctor physician surgeon clinician midwife nurse hospital therapist cardiologist psychiatrist specialist surgery operation clinic`),
  measure: words(`pressure hypertension cholesterol sugar glucose cortisol hormones readings pulse levels adrenaline numbers values`),
  organ: words(
    `liver kidneys lungs heart pancreas thyroid gut glands prostate ovaries womb arteries bowel spleen nerves vagus lymph organs adrenals`,
  ),
  sex: words(`potency libido fertility sperm pregnancy pregnant orgasm erection sexual sex menopause conceive birth`),
  body: words(`belly ribs shoulders jaw hands chest back knees neck forehead feet palms spine hips tongue eyes chin nostril thumb fingers`),
  brain: words(`brain hemisphere hemispheres neurons amygdala iq intelligence grey`),
  heal: words(
    `cures heals treats prevents reverses relieves fixes banishes cure heal remedy healed cured treatment healing repair repairs restores rejuvenates regenerates revives renew`,
  ),
  fight: words(`fights beats conquers defeats overcomes eliminates destroys kills stops ends combats protects wards`),
  gone: words(`gone vanish vanished disappear disappears disappeared fade fades faded history lifted cleared resolved free rid`),
  less: words(`lower lowers reduce reduces decrease decreases drop drops fall falls sinks halves shrink shrinks less fewer down subside`),
  more: words(
    `boost boosts increase increases strengthen strengthens improve improves double doubles raise raises rise enhance enhances supercharges more higher`,
  ),
  stop: words(
    `stop stopped quit threw binned halved cancelled abandoned dropped skip ditch off without unnecessary superfluous obsolete replace replaces instead substitute alternative`,
  ),
  everyone: words(`everyone everybody anyone anybody all nobody every whoever`),
  safe: words(`safe harmless suitable risk-free risk risks danger dangerous harm hurt harmed contraindications side effects`),
  proven: words(
    `proven scientifically studies research science evidence scientists universities experts clinically tested confirmed demonstrated guaranteed guarantee prove proved fact doubt results`,
  ),
  toxin: words(`toxins poison poisons detox detoxifies impurities waste cleanse cleanses purifies purify flush rinse metals`),
  oxygen: words(`oxygen oxygenates saturates saturate`),
  fat: words(`fat calories kilos pounds weight slim slimmer waist metabolism diet stomach thin`),
  inflammation: words(`inflammation inflammatory swelling swollen`),
  immune: words(`immune immunity defences resistance viruses virus germs`),
  sleep: words(`sleep asleep insomnia nights awake sleepless dreams nightmares`),
  mood: words(`happy happiness joy mood calm relaxed serene confident fearless anxious stressed sad angry worry fear stress grief peace cheerful`),
  youth: words(`younger youth youthful ageing aging wrinkles longevity age years ninety older live longer`),
  addiction: words(`smoking cigarettes alcohol drinking cravings addiction sober wine nicotine`),
  children: words(`children kids babies toddlers teenagers daughter son pupils`),
  perform: words(`performance stamina concentration memory productivity exams marks faster win athletes success focus endurance score career`),
  trauma: words(`trauma traumas wounds past childhood shame guilt`),
  people: words(`students members participants aunt mother brother woman man regulars course group couples friend neighbour husband sister patients`),
  told: words(`since after spring winter weeks month year january summer session sessions now again term`),
  breath: words(`breath breathing exhale inhale practice practise technique pumps hold holds rounds nostril humming course method`),
  tell: words(`tell ask talk see check inform call write mention`),
  care: words(`optional gentle gently easier slowly rest seated chair skip leave wait sit let pause stop naturally careful`),
  maybe: words(`may might some sometimes perhaps many few whether unclear notice`),
  tradition: words(
    `tradition traditional traditionally texts ancient lineage school sanskrit yogis prana energy channels moon sun serpent called myth`,
  ),
  words: words(`word words claim claims promise promises say write avoid brochure phrase means`),
  thing: words(`blanket cushion chair mat water room door window candle shelf key desk light scarf timer bell`),
  time: words(`class classes evening morning tuesday wednesday seven begins ends opens closes week term register`),
  emergency: words(`emergency dizzy dizziness fainting tingling numb cramps wheeze chest seizure palpitations bleeding`),
};

/** Words that say how others stand to each other. */
export const FUNCTION_WORDS: ReadonlySet<string> = new Set(
  words(`a an the this that these those it its i you he she we they my your his her our their me us them is are was were be been being am do does did has have had
    will would can could should may might must not no nor never nothing nobody none no-one neither without off out up down in on at to of for from with by against about
    after before since until while when if whether whoever who what which where how why than then so as like and or but because once again any anyone every everyone
    all each some most many few more less much only just even still yet already also too very there here now please let don't cannot into over under through`),
);
