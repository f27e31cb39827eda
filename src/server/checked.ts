import { ValidationError, type AnyObjectSchema, type InferType } from 'yup';
import { Refusal, type FieldProblem } from './errors';

/** Checks what came in against a form's schema; refuses with a sentence at every field that is wrong. */
export async function checked<S extends AnyObjectSchema>(schema: S, input: unknown): Promise<InferType<S>> {
  try {
    return (await schema.validate(input, { abortEarly: false, stripUnknown: true })) as InferType<S>;
  } catch (error) {
    if (error instanceof ValidationError) throw refusalOf(error);
    throw error;
  }
}

function refusalOf(error: ValidationError): Refusal {
  const all = error.inner.length > 0 ? error.inner : [error];
  const fields = new Map<string, FieldProblem>();
  for (const { path = '', message } of all) if (!fields.has(path)) fields.set(path, { field: path, message });
  return new Refusal('invalid', [...fields.values()].map(({ message }) => message).join(' '), [...fields.values()]);
}
