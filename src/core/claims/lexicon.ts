/** Words that claims are made of, as parts of patterns. Each list is one notion. */

const list = (words: string): string =>
  words
    .trim()
    .split(/\s*\n\s*|\s*,\s*/)
    .filter(Boolean)
    .join('|');

/** Illnesses and complaints that only a clinician may promise anything about. */
export const ILLNESS = list(`
  asthma, copd, bronchitis, pneumonia, (?:long )?covid, cancers?, tumou?rs?, depressions?, burnout, diabetes, hypertension, (?:high |low )?blood pressure,
  insomnia, sleeplessness, sleep apn(?:o)?ea, sleep disorders?, anxiety(?: disorders?)?, panic(?: attacks?| disorders?)?, migraines?, headaches?, ptsd, trauma, adhd, autism,
  heart (?:disease|attacks?|failure|conditions?|problems?)?, strokes?, epilepsy, seizures?, infections?, illness(?:es)?, diseases?, sickness, ailments?, disorders?,
  arthritis, rheumatism, fibromyalgia, allerg(?:y|ies), hay fever, sinusitis, reflux, heartburn, ulcers?, irritable bowel, constipation, thyroid problems?, obesity,
  dementia, alzheimer\\S*, parkinson\\S*, multiple sclerosis, (?:chronic |back |neck |joint |menstrual )?pains?, colds?, flu, influenza, virus(?:es)?, snoring,
  infertility, impotence, pms, eczema, psoriasis, addictions?, tinnitus, vertigo, glaucoma, osteoporosis, anaemia, gout
`);

/** Medicine, and what stands for it. */
export const MEDICINE = list(`
  medicines?, medications?, drugs?, pills?, tablets?, inhalers?, insulin, antidepressants?, painkillers?, beta.?blockers?, steroids?, statins?, antihistamines?, prescriptions?, sprays?
`);

/** What a body is measured by, and what flares up in it. */
export const MEASURES = list(`
  blood pressure, blood sugar(?: levels?)?, sugar levels?, glucose(?: levels?)?, cholesterol, cortisol(?: levels?)?, stress hormones?, hormones?, hormone levels?, adrenaline, insulin resistance
`);

export const ORGANS = list(`
  organs?, lungs?, liver, kidneys?, heart(?: muscle)?, arteries, thyroid, pancreas, spleen, glands?, prostate, ovaries, womb, bowels?, gut, digestion, nervous system, vagus nerve, spine, sexual function,
  sex life, libido, potency, fertility, cells?, tissues?, metabolism
`);

/** What breathing is called when it is said to do something. */
export const PRACTICE = list(`
  breath(?:s|ing|work)?, technique, practice, exercise, method, session, course, class, pumps?, humming, pranayama, kapalabhati, bhramari, nadi shodhana
`);
