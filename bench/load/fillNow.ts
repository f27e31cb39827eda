import { fillStudio } from './fill';

/** Makes the studio in the environment's database so many times the demo's size. */
await fillStudio(Number(process.argv[2] ?? 20));
console.log('filled');
