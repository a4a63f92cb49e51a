import { runSteps } from '../build/run-steps.js';
import { stepKinds } from '../steps/index.js';
import { initialStep } from '../steps/initial.js';
import type { Field } from './index.js';
import { isOfForm } from './is-of-form.js';
import { metric } from '../units/units.js';

describe('the form of what is written for a field', () => {
  it('is that of its schema', () => {
    const pair = { type: 'array', minItems: 2, maxItems: 2, items: { type: ['string', 'number'] } };
    expect(isOfForm(pair, ['1 m', 2])).toBeTrue();
    expect(isOfForm(pair, ['1 m'])).toBeFalse();
    expect(isOfForm(pair, ['1 m', null])).toBeFalse();
    expect(isOfForm(pair, '1 m, 2 m')).toBeFalse();
    expect(isOfForm({ enum: ['a', 2] }, 2)).toBeTrue();
    expect(isOfForm({ enum: ['a', 2] }, '2')).toBeFalse();
    expect(isOfForm({ type: 'boolean' }, 'true')).toBeFalse();
    expect(isOfForm({ type: 'string', pattern: '^[a-z]+$', maxLength: 3 }, 'abcd')).toBeFalse();
    const object = {
      type: 'object',
      properties: { a: { type: 'integer' } },
      required: ['a'],
      additionalProperties: false,
    };
    expect(isOfForm(object, { a: 1 })).toBeTrue();
    expect(isOfForm(object, { a: 1.5 })).toBeFalse();
    expect(isOfForm(object, {})).toBeFalse();
    expect(isOfForm(object, { a: 1, __proto__x: 2 })).toBeFalse();
    expect(isOfForm(object, null)).toBeFalse();
    expect(isOfForm({ anyOf: [{ type: 'number' }, pair] }, 3)).toBeTrue();
  });

  it('lets through what every kind of step begins with', () => {
    for (const kind of stepKinds)
      for (const [name, field] of Object.entries(kind.fields as Record<string, Field<unknown>>))
        for (const value of [field.initial, field.fallback])
          if (value !== undefined)
            expect(isOfForm(field.schema, value)).withContext(`${kind.kind} ${name}`).toBeTrue();
  });

  it('whatever is typed into whatever field, the step says so in a sentence and nothing breaks', () => {
    const typed = ['', 'x', '0, 6, 0', '{', 7, -1, true, null, [], ['a'], [[]], {}, { a: 1 }, [{ a: [] }]];
    for (const kind of stepKinds)
      for (const name of [...Object.keys(kind.fields), ...(kind.verb === 'make' ? ['at', 'turn'] : [])])
        for (const value of typed) {
          const step = { ...initialStep(kind, 's'), [name]: value };
          const { problems, geometry } = runSteps(
            { space: 'solid', steps: [...(kind.example?.before ?? []), step] },
            { parameters: new Map(), units: metric },
          );
          for (const { message } of problems) expect(message).toMatch(/[.;:]/);
          for (const { id, at } of geometry.nodes.values())
            if (!at.every(Number.isFinite))
              fail(`${kind.kind}, ${name} ${JSON.stringify(value)}: ${id} is nowhere`);
        }
  });
});
