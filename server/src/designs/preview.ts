import { checkSchema } from '@hashira/core/validation';
import { HttpProblem } from '../http/problem-details.js';

/** Longest picture that is kept, characters. */
const longestPicture = 200_000;
const text = { type: 'string', maxLength: 500 } as const;

/** A preview as the page makes it: the frame as SVG, the first figures of the reference, and what each alternative comes to. */
const previewSchema = {
  type: 'object',
  required: ['reference', 'figures', 'statuses'],
  additionalProperties: false,
  properties: {
    picture: { type: 'string', pattern: '^<svg ', maxLength: longestPicture },
    reference: text,
    statuses: { type: 'array', items: text, maxItems: 200 },
    figures: {
      type: 'array',
      maxItems: 3,
      items: {
        type: 'object',
        required: ['id', 'title', 'quantity', 'signed', 'place', 'limitIs', 'status'],
        additionalProperties: false,
        properties: {
          id: text,
          title: text,
          quantity: text,
          signed: { type: 'boolean' },
          value: { type: 'number' },
          readsAs: {
            type: 'object',
            required: ['of'],
            additionalProperties: false,
            properties: { of: { enum: ['h', 'L'] }, length: { type: 'number' } },
          },
          pending: { type: 'boolean' },
          place: text,
          wrong: { type: 'boolean' },
          combination: text,
          limit: { type: 'number' },
          limitIs: { enum: ['most', 'least'] },
          status: { enum: ['pass', 'fail', 'none'] },
        },
      },
    },
  },
} as const;

/** A preview out of a request. @throws HttpProblem 422 */
export function previewOf(body: unknown): object {
  const problems = checkSchema(previewSchema, body, 'bad-preview');
  if (problems.length === 0) return body as object;
  throw new HttpProblem(422, 'bad-preview', 'Not a preview', problems[0]!.message, { problems });
}
