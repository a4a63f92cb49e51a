import { fail } from '../base/problem.js';
import { listItems, quantityOf } from '../language/evaluate.js';
import type { Names } from '../language/compile.js';
import type { Design } from '../document/types.js';

/** A named grid line. */
export interface Axis {
  readonly along: 'x' | 'y' | 'z';
  readonly name: string;
  /** m */
  readonly at: number;
}

/** Letters A … Z, AA …, or numbers. */
function axisName(style: 'A' | '1', index: number): string {
  if (style === '1') return String(index + 1);
  let name = '';
  for (let n = index + 1; n > 0; n = Math.floor((n - 1) / 26))
    name = String.fromCharCode(65 + ((n - 1) % 26)) + name;
  return name;
}

/** Positions of all grid lines: in a set the first entry is a position, the others are spacings. @throws ProblemError */
export function evaluateAxes(design: Pick<Design, 'axes'>, names: Names): Axis[] {
  return design.axes.flatMap((set, s) => {
    const place = { what: `axes along ${set.along}`, where: { axes: s } };
    let at = 0;
    const items = set.at.flatMap((entry) => listItems(entry, names, place));
    if (items.length > 500) fail('too-many', `The axes along ${set.along} are more than 500.`, place.where);
    return items.map((item, i) => {
      const value = quantityOf(item, names, 'length', place);
      at = i === 0 ? value : at + value;
      return { along: set.along, name: axisName(set.names, i), at };
    });
  });
}

/** The position of the axis of a name, or what is wrong with the name. */
export function axisLookUp(axes: readonly Axis[]): (name: string) => number | string | undefined {
  return (name) => {
    const found = axes.filter((axis) => axis.name === name);
    if (found.length > 1)
      return `two axes are called "${name}"; give one of the sets the other kind of names`;
    return found[0]?.at;
  };
}
