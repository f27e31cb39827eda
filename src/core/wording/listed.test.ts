import { listed, listedSentence } from '.';

test.each([
  [[], '', '.'],
  [['Asta R.'], 'Asta R.', 'Asta R.'],
  [['Asta R.', 'Bram'], 'Asta R. and Bram', 'Asta R. and Bram.'],
  [['Asta R.', 'Bram', 'Cleo D.'], 'Asta R., Bram and Cleo D.', 'Asta R., Bram and Cleo D.'],
])('%j', (names, said, sentence) => {
  expect([listed(names), listedSentence(names)]).toEqual([said, sentence]);
});
