import type { FrameChanges } from '../../evaluation/changes/index.js';
import { writeTable } from './table.js';

/** Changes as CSV (RFC 4180): kind, what, place, before, after; moves in m. */
export function changesCsv({ sentences, added, removed, moved, changed }: FrameChanges): string {
  const said = sentences.map((sentence) => {
    const [what, values = ''] = sentence.split(/: (.*)/s) as [string, string?];
    const [before, after = ''] = values.split(' → ');
    return ['design', what, '', before ?? '', after];
  });
  return writeTable([
    ['kind', 'what', 'place', 'before', 'after'],
    ...said,
    ...added.map((part) => ['added', 'node' in part ? 'node' : 'member', part.title, '', '']),
    ...removed.map((part) => ['removed', 'node' in part ? 'node' : 'member', part.title, '', '']),
    ...moved.map(({ title, by }) => [
      'moved',
      'node',
      title,
      '',
      by.map((one) => Number(one.toPrecision(9))).join(' '),
    ]),
    ...changed.map(({ title, what, before, after }) => ['changed', what, title, before, after]),
  ]);
}
