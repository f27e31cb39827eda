import { ASKED, conditionOf, type ConditionAnswer } from '../src/core/screening';
import { addDays, type IsoDate } from '../src/core/units';

/** An invented person. Days count from the day the demo is loaded; null was never screened. */
export interface DemoPerson {
  readonly name: string;
  readonly screened: number | null;
  readonly birth: string;
  readonly guardian?: boolean;
  readonly answers?: readonly DemoAnswer[];
}

export interface DemoAnswer {
  readonly condition: string;
  readonly answer?: ConditionAnswer['answer'];
  /** Parts of the question that are a yes; the others are a no. */
  readonly parts?: readonly string[];
  readonly day?: number;
}

/** A form with every question answered: no, where nothing else is said. */
export function wholeForm<Given extends { readonly condition: string }>(answers: readonly Given[]) {
  const open = ASKED.filter(({ id }) => !answers.some(({ condition }) => condition === id));
  return [...answers, ...open.map(({ id }) => ({ condition: id, answer: 'no' as const }))];
}

/** An answer as a form gives it, every part of its question with a yes or a no. */
export function given({ condition, answer = 'yes', parts = [], day }: DemoAnswer, today: IsoDate) {
  return {
    condition,
    answer,
    date: day === undefined ? null : addDays(today, day),
    parts: conditionOf(condition).parts.map(({ id }) => ({ id, said: parts.includes(id) ? ('yes' as const) : ('no' as const) })),
  };
}

const has = (condition: string, ...parts: string[]): DemoAnswer => ({ condition, parts });
const dated = (condition: string, day: number, ...parts: string[]): DemoAnswer => ({ condition, day, parts });
const person = (name: string, screened: number | null, birth: string, ...answers: DemoAnswer[]): DemoPerson => ({ name, screened, birth, answers });

export const FERRY_CREW: readonly DemoPerson[] = [
  person('Asta R.', -73, '1988-03-14'),
  person('Bram O.', -112, '1979-08-02'),
  person('Cleo D.', -177, '1991-11-30', has('low blood pressure')),
  person('Dunya P.', -40, '1985-06-19'),
  person('Eskil M.', -138, '1994-01-08'),
  person('Fenna T.', -34, '1972-04-21', has('high blood pressure', 'controlled')),
  person('Gaspar L.', -127, '1990-01-19'),
  person('Hedy W.', null, '1996-09-05'),
  person('Ilo K.', -21, '1983-05-05', has('nose')),
  person('Juno B.', -104, '1999-02-11', has('panic')),
  person('Kester N.', -176, '1981-12-01', has('lungs')),
];

export const CHOIR: readonly DemoPerson[] = [
  person('Abel Q.', -30, '1968-02-14'),
  person('Birte S.', -61, '1975-07-30', has('reflux')),
  person('Caspian V.', -12, '2002-10-03'),
  person('Delphi A.', -95, '1990-05-22'),
  person('Edda N.', -44, '1987-12-12', has('migraine')),
  person('Florian J.', -18, '2012-06-08'),
  person('Greet H.', -150, '1959-03-03'),
  person('Hollis P.', -170, '1980-08-18'),
  person('Isolde W.', -9, '1993-04-27', has('neck')),
  person('Jorund B.', -66, '1977-11-11'),
  person('Kezia M.', -72, '1985-09-09', { condition: 'heart', answer: "don't know" }),
  person('Lorcan F.', -25, '1998-01-16'),
  person('Maud C.', null, '1964-06-06'),
  person('Nils E.', -51, '1971-10-28', has('diabetes')),
];

export const NEW_PARENTS: readonly DemoPerson[] = [
  person('Ailsa G.', -20, '1992-02-02', dated('pregnancy', 150)),
  person('Bettine K.', -35, '1995-05-17', dated('pregnancy', 75)),
  person('Coralie F.', -14, '1989-10-10', dated('birth', -45)),
  person('Dorrit M.', -50, '1987-07-07', dated('birth', -70, 'surgical')),
  person('Emrys T.', -28, '1990-12-24'),
  person('Franka O.', -8, '1994-03-31', dated('pregnancy', 110, 'high-risk')),
  person('Gudrun L.', -190, '1986-08-13', dated('birth', -110)),
  person('Hanno B.', -22, '1991-06-29', { condition: 'trauma', answer: 'prefer not to say' }),
];

export const OVER_SIXTY: readonly DemoPerson[] = [
  person('Alwin S.', -55, '1951-01-20', has('high blood pressure', 'controlled')),
  person('Berthe V.', -33, '1948-09-15', has('eyes')),
  person('Cosmo R.', -80, '1960-04-04'),
  person('Dagny H.', -16, '1955-11-23', has('falls')),
  person('Evert P.', -120, '1962-02-28', has('high blood pressure')),
  person('Fiorella N.', -41, '1953-06-01'),
  person('Gisela D.', -98, '1950-03-19', has('heart')),
  person('Hamish O.', -171, '1957-08-25', has('back')),
  person('Inga L.', -64, '1964-12-05'),
];

export const BEGINNERS: readonly DemoPerson[] = [
  person('Rosa F.', -20, '1981-04-11'),
  person('Ulf K.', -20, '1974-08-02', has('high blood pressure', 'controlled')),
  person('Ines P.', -22, '1990-01-19'),
  person('Theo A.', -19, '1968-12-05', has('back')),
  person('Mabel D.', -25, '1985-06-30'),
  person('Anders L.', -18, '1979-10-08'),
  person('Priya N.', -21, '1992-03-14', has('panic')),
  person('Cosmo W.', -20, '1988-09-21'),
  person('Elke R.', -20, '1971-02-27'),
  person('Sunniva H.', null, '1995-05-09'),
  person('Bram O.', -23, '1983-11-16'),
  person('Lotte V.', -20, '1976-07-04'),
];
