/** JSON Schemas that several fields share: an expression, a text of a length, an object, three expressions, a list of them. */
export const expression = { type: ['string', 'number'], minLength: 1, maxLength: 400 } as const;
export const text = { type: 'string', minLength: 1, maxLength: 200 } as const;
export const object = (properties: Record<string, unknown>, required: string[] = []) => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
});
export const vector = { type: 'array', items: expression, minItems: 3, maxItems: 3 } as const;
export const freedoms = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'] as const;
export const releases = ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'] as const;
export const list = {
  anyOf: [
    expression,
    { type: 'array', items: expression, maxItems: 500 },
    object({ count: expression, each: expression }, ['count', 'each']),
  ],
};
