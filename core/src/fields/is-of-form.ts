import { Validator } from '@cfworker/json-schema';

/** Validators by the schema that they were made for. */
const validators = new WeakMap<object, Validator>();

/**
 * Whether a value is of the form that a field's schema asks for. Documents are validated where they arrive; what is typed into a field
 * is not a document yet. The validator compiles no code, which the page's policy forbids.
 */
export function isOfForm(schema: object, value: unknown): boolean {
  let validator = validators.get(schema);
  // It writes into the schema that it is given
  if (!validator) validators.set(schema, (validator = new Validator(structuredClone(schema), '7')));
  return validator.validate(value).valid;
}
