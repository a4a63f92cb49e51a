import { attempt, fail, type Outcome } from '../base/problem.js';
import { quantityOf } from '../language/evaluate.js';
import type { Names } from '../language/compile.js';
import { add, distance, minus, times, unit, type Point } from '../geometry/vector.js';

/** From where a drawn member is finished by typing. */
export interface DrawnFrom {
  /** Where it begins, m; absent: the beginning itself is typed, by coordinates. */
  readonly from?: Point;
  /** The place that is pointed at: a typed length runs towards it; to the right without one. */
  readonly towards?: Point;
  readonly space: 'plane' | 'solid';
}

/** A place as it is typed: its coordinates as a step's point has them (x and z in the plane, x, y and z in space), and where that is, m. */
export interface TypedPlace {
  readonly coordinates: string[];
  readonly at: Point;
}

/**
 * The end of a drawn member as it is typed, or where it begins: a length from its beginning ("4 m", "span / 4"), or coordinates ("3 m, 6.4 m"; of a solid
 * frame three), which stay as they are typed. Bare numbers are in the unit that is shown.
 */
export function typedEnd(
  text: string,
  names: Names,
  { from, towards, space }: DrawnFrom,
): Outcome<TypedPlace> {
  const place = { what: `the ${from ? 'end' : 'beginning'} of the member`, where: {} };
  return attempt(() => {
    const parts = text
      .split(/[,;]/)
      .map((part) => names.units.typed(part, 'length'))
      .filter((part) => part !== '');
    const values = parts.map((part) => quantityOf(part, names, 'length', place));
    const wanted = space === 'plane' ? 2 : 3;
    if (parts.length === wanted)
      return {
        coordinates: parts,
        at: wanted === 2 ? [values[0]!, 0, values[1]!] : [values[0]!, values[1]!, values[2]!],
      };
    if (parts.length !== 1 || !from)
      return fail(
        'invalid-design',
        `Type ${from ? 'a length such as "4 m", or ' : ''}${wanted} coordinates such as "${wanted === 2 ? '3 m, 6 m' : '3 m, 0 m, 6 m'}".`,
        {},
      );
    const [length] = values;
    if (!(length! > 0)) return fail('invalid-design', 'The length must be above zero.', {});
    const aims = towards !== undefined && distance(towards, from) > 1e-9;
    const end = add(from, times(aims ? unit(minus(towards, from)) : [1, 0, 0], length!));
    const used = space === 'plane' ? [end[0], end[2]] : end;
    return { coordinates: used.map((v) => `${Number(v.toFixed(6))} m`), at: end };
  });
}
