import { Validator } from '@cfworker/json-schema';

/** A schema's validator, with what it has found of single values and of objects, which do not change. */
interface Known {
  readonly validator: Validator;
  readonly single: Map<unknown, boolean>;
  readonly objects: WeakMap<object, boolean>;
}

const known = new WeakMap<object, Known>();

/** Single values that are kept for a schema: a hand that types or drags writes new ones. */
const mostKept = 500;

/**
 * Whether a value is of the form that a field's schema asks for. Documents are validated where they arrive; what is typed into a field
 * is not a document yet. The validator compiles no code, which the page's policy forbids; what has not changed is not looked at again.
 */
export function isOfForm(schema: object, value: unknown): boolean {
  let one = known.get(schema);
  if (!one) {
    // It writes into the schema that it is given
    const validator = new Validator(structuredClone(schema), '7');
    known.set(schema, (one = { validator, single: new Map(), objects: new WeakMap() }));
  }
  const isObject = typeof value === 'object' && value !== null;
  const before = isObject ? one.objects.get(value) : one.single.get(value);
  if (before !== undefined) return before;
  const { valid } = one.validator.validate(value);
  if (isObject) one.objects.set(value, valid);
  else {
    if (one.single.size >= mostKept) one.single.clear();
    one.single.set(value, valid);
  }
  return valid;
}
