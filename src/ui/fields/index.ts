/** One set of fields; every screen uses these and nothing else. A person's own form works without JavaScript and has the browser's. */
export { ChoiceField } from './ChoiceField';
export { Claims } from './Claims';
export { CompactField } from './CompactField';
export { DayField } from './DayField';
export { FileField } from './FileField';
export { ManyField } from './ManyField';
export { NumberField } from './NumberField';
export { PickField } from './PickField';
export { TimeField } from './TimeField';
export { WordChoice } from './WordChoice';
export type { Option } from './types';
