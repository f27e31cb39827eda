import { writeFileSync } from 'node:fs';
import { featuresOf } from '../src/core/claims/features';
import { formedLines, labelled, SHIPPED, WRITTEN } from '../src/core/claims/lines';
import { claimsIn } from '../src/core/claims/rules';
import { oddsOf, thresholdsOf, trained, type Weights } from '../src/core/claims/train';
import { claimsMadeOf } from './claimsMadeOf';

/** Trains the check of claims from the lines in the repository and keeps it in `model.json`. Run where they change: `npm run claims`. */

const formed = formedLines();
const all = [...WRITTEN, ...SHIPPED];
const FOLDS = 5;
// Thresholds come from lines that were not trained on.
const odds = new Map<string, number>();
for (let fold = 0; fold < FOLDS; fold += 1) {
  const weights = trained([...formed, ...labelled(all.filter((_, at) => at % FOLDS !== fold))]);
  all.forEach(({ text }, at) => {
    if (at % FOLDS === fold) odds.set(text, oddsOf(featuresOf(text), weights));
  });
  console.log(`fold ${fold + 1} of ${FOLDS}`);
}
// Names are short of what a sentence has to go by: they are trained on, and not measured by.
const harmless = all
  .filter(({ kind, from }) => kind === null && from !== 'name')
  .map(({ text }) => ({ odds: odds.get(text)!, ruled: claimsIn(text).length > 0 }));
const weights: Weights = trained([...formed, ...labelled(all)]);
const rounded = Object.fromEntries(
  [...weights].filter(([, weight]) => Math.abs(weight) >= 0.02).map(([name, weight]) => [name, Math.round(weight * 100) / 100]),
);
writeFileSync('src/core/claims/model.json', `${JSON.stringify({ madeOf: claimsMadeOf(), thresholds: thresholdsOf(harmless), weights: rounded })}\n`);
console.log(`${Object.keys(rounded).length} features`);
