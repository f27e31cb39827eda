import { ValidationError, type AnyObjectSchema, type InferType } from 'yup';
import { FORM_LIMITS } from '@/forms';
import { NUL } from '@/forms/rules';
import { Refusal, type FieldProblem } from './errors';

/**
 * Checks what came in against a form's schema; refuses with a sentence at every field that is wrong. What is larger or deeper than
 * any form of ours is refused before its fields are looked at, and so are lists that hold more than their field takes.
 */
export async function checked<S extends AnyObjectSchema>(schema: S, input: unknown): Promise<InferType<S>> {
  const wrong = outOfBounds(input);
  if (wrong) throw new Refusal('invalid', wrong);
  tooMany(schema, input);
  try {
    return (await schema.validate(input, { abortEarly: false, stripUnknown: true })) as InferType<S>;
  } catch (error) {
    if (error instanceof ValidationError) throw refusalOf(error);
    throw error;
  }
}

/** What is wrong with something that came in, whatever it was meant to be; null when a form may look at it. */
function outOfBounds(input: unknown): string | null {
  let left: number = FORM_LIMITS.fields;
  const walk = (value: unknown, depth: number): string | null => {
    left -= 1;
    if (left < 0) return 'This holds more than any form of ours.';
    if (depth > FORM_LIMITS.depth) return 'This stands deeper in itself than any form of ours.';
    if (typeof value === 'string') return NUL.test(value) ? 'A character that cannot be kept is in one of these texts. Please type it again.' : null;
    if (typeof value !== 'object' || value === null) return null;
    for (const [key, inner] of Object.entries(value)) {
      if (NUL.test(key)) return 'This is no form of ours.';
      const wrong = walk(inner, depth + 1);
      if (wrong) return wrong;
    }
    return null;
  };
  return walk(input, 0);
}

/** Lists are counted before their members are looked at. */
function tooMany(schema: AnyObjectSchema, input: unknown): void {
  if (typeof input !== 'object' || input === null) return;
  for (const [field, inner] of Object.entries(schema.describe().fields)) {
    const list: unknown = (input as Readonly<Record<string, unknown>>)[field];
    if (!Array.isArray(list) || !('tests' in inner)) continue;
    const most = inner.tests.find(({ name }) => name === 'max')?.params?.max;
    if (typeof most === 'number' && list.length > most) throw new Refusal('invalid', `At most ${most}.`, [{ field, message: `At most ${most}.` }]);
  }
}

function refusalOf(error: ValidationError): Refusal {
  const all = error.inner.length > 0 ? error.inner : [error];
  const fields = new Map<string, FieldProblem>();
  for (const { path = '', message } of all) if (!fields.has(path)) fields.set(path, { field: path, message });
  return new Refusal('invalid', [...fields.values()].map(({ message }) => message).join(' '), [...fields.values()]);
}
