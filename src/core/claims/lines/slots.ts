/** Words that sentences of both kinds are put together from. A slot is filled by one of its words. */

const words = (text: string): readonly string[] =>
  text
    .trim()
    .split(/\s*[,\n]\s*/)
    .filter(Boolean);

export const SLOTS: Readonly<Record<string, readonly string[]>> = {
  illness: words(`
    asthma, hay fever, migraines, headaches, insomnia, depression, anxiety, panic attacks, burnout, arthritis, rheumatism, high blood pressure, diabetes, eczema,
    psoriasis, allergies, sinusitis, bronchitis, colds, the flu, infections, back pain, sciatica, a slipped disc, neck pain, fibromyalgia, chronic fatigue, tinnitus,
    vertigo, reflux, heartburn, irritable bowel, constipation, stomach ulcers, thyroid trouble, high cholesterol, heart disease, palpitations, strokes, epilepsy,
    dementia, Alzheimer's, Parkinson's, ADHD, autism, PTSD, trauma, sleep apnoea, snoring, endometriosis, period pain, hot flushes, menopause symptoms,
    prostate trouble, incontinence, osteoporosis, gout, cancer, long covid, emphysema, glaucoma, anaemia, varicose veins, hernias, kidney stones`),
  med: words(`
    tablets, pills, inhalers, medication, medicine, sleeping pills, antidepressants, painkillers, beta blockers, statins, insulin, antihistamines, steroids,
    blood thinners, nasal spray, blood-pressure tablets, tranquillisers, antibiotics, anti-anxiety pills, prescriptions, drugs, thyroid tablets, reflux tablets, HRT`),
  subject: words(`
    this breath, the practice, this practice, breathwork, slow breathing, the long exhale, the humming breath, the square breath, alternate nostril breathing, this course,
    ten minutes a day, the morning pumps, the evening breath, this technique, our method, deep breathing, the cooling breath, the belly breath, it, this, the hold`),
  organ: words(
    `liver, kidneys, lungs, heart, pancreas, spleen, thyroid, gut, inner organs, nervous system, vagus nerve, glands, adrenals, lymph, prostate, ovaries, womb, arteries, cells, nerves, bowel`,
  ),
  time: words(`
    in three weeks, within a month, after the course, for good, for ever, in no time, overnight, after eight weeks, by spring, in ten minutes a day, after a few sessions,
    from the first week, once and for all, by the end of the course, within days, every winter, over the summer, after only two evenings`),
  who: words(`
    my aunt, my mother, a student of mine, one of our members, half of last year's course, most of the group, everyone in the last course, two out of three, our students,
    people who practise, a regular of ours, several participants, nine in ten, my brother, a woman in my Tuesday class, a man of seventy, the whole cohort, members, they, I, we, she, he`),
  cure: words(`
    cures, heals, treats, prevents, reverses, fights, beats, gets rid of, relieves, fixes, ends, banishes, clears up, wipes out, sorts out, dissolves, eases, stops, takes away, keeps away,
    overcomes, conquers, does away with, gets on top of, resolves, undoes, holds off, brings relief from, protects you from, drives out, calms, is stronger than`),
  gone: words(`
    is gone, are gone, disappears, vanishes, fades away, clears up, went away, is cured, is healed, is a thing of the past, is history, stopped coming, never came back, gets better,
    melts away, lifts, lets go of you, packs its bags, was beaten, has not returned, will leave you, has no chance, does not stand a chance, can be turned around`),
  better: words(`
    calm, relaxed, happy, fearless, serene, balanced, confident, energetic, younger, slimmer, fitter, stronger, focused, sharper, fertile, resilient, pain-free, stress-free, symptom-free,
    healthy, well again, cheerful, patient, sober, smarter, immune`),
  state: words(`
    deep sleep, inner peace, lasting calm, boundless energy, a long life, eternal youth, a better memory, clear skin, a happy marriage, better marks, more stamina, top performance, faster times,
    a stronger sex drive, fertility, a flat stomach, perfect posture, freedom from fear, freedom from pain, freedom from addiction, restful nights, good moods, self-confidence, success at work,
    calm children, quiet babies, painless birth, an easy menopause, resilience, a pregnancy, weight loss, concentration`),
  bad: words(
    `stress, fear, anger, sleeplessness, bad moods, worry, grief, exhaustion, pain, cravings, cigarettes, old traumas, shame, loneliness, nervousness, stage fright, exam nerves, wrinkles, ageing, love handles, tantrums`,
  ),
  do: words(`
    leave out the holds, take the chair, keep the eyes open, breathe naturally, stay seated, sit this one out, ask your doctor first, tell us before class, take the easier version, come and see me,
    skip the pumps, keep it short, lie on your side, do the gentle count, let the hold go, keep your hand down, rest instead, wait until your doctor agrees, go slowly, watch the natural breath`),
  out: words(
    `are left out, wait, are not for you, are optional, come later, need a doctor's yes, are replaced by the natural breath, are shorter, stay out of the plan, are skipped`,
  ),
  part: words(
    `the holds, the pumps, the locks, the fast rounds, connected breathing, the long exhales, the breath holds, the neck circles, the standing part, lying flat`,
  ),
  body: words(
    `the belly, the ribs, the shoulders, the jaw, the hands, the chest, the lower back, the knees, the neck, the forehead, the soles of the feet, the palms, the spine, the hips, the tongue, the eyes`,
  ),
  move: words(
    `let go of, soften, feel, relax, rest, notice, lift, widen, turn, lengthen, warm, loosen, lower, support, press lightly, lean back into`,
  ),
  feel: words(
    `quiet, warm, tired, awake, light, heavy, calm, settled, sleepy, steady, nothing at all, a little dizzy, restless, softer, slower, at ease, ready, cool, relaxed, bored`,
  ),
  thing: words(
    `a blanket, a cushion, a chair, water, warm socks, a scarf, a mat, your own block, a shawl, a timer, a note for the teacher, the key, the list, a bolster`,
  ),
  hour: words(
    `at seven, at half past six, on Tuesday, after the break, before class, next week, at the door, in the second half, at the end, on the last evening, in week three, from January`,
  ),
  school: words(
    `in this tradition, in the old texts, traditionally, in this school, the tradition says, as the old books put it, in the words of the lineage, some teachers say, the texts describe how`,
  ),
  myth: words(`
    energy rises along the spine, the moon channel cools, the sun side warms, the breath cleans seventy-two thousand channels, the winds of the body meet, a fire burns in the belly, prana follows the mind,
    the lock keeps the nectar from falling, two rivers join between the brows, sun and moon are balanced, the serpent sleeps at the base, the sound opens the throat centre, the knots are loosened`),
};

/** A text line by line, without empty ones. */
export const linesOf = (text: string): readonly string[] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
